'use client';

import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { SideHeads } from './SideHeads';
import { useMemo } from 'react';
import { assess, type Assessment } from '@/core/assess';
import { basketFor } from '@/core/versus/basketFor';
import { supportOf } from '@/core/money/support';
import {
  COST_LINES,
  compareOwnership,
  ownershipOf,
  type CostLine,
  type OwnedSide,
  type Ownership,
  type OwnershipPair,
} from '@/core/versus/ownership';
import { inPhase } from '@/core/model/phases';
import { daysBetween } from '@/core/units/days';
import { shownCoins, type Currency } from '@/core/units/money';
import { coinsOnly, listed, number } from '@/core/words/format';
import { COST_NAMES, openCostWords } from '@/core/words/money';
import { useMoment, useWholeDraft } from '../seat/moment';
import { useCurrency } from '../seat/useSeat';
import { LineChart } from '../shared/Chart';
import type { Sides } from './sides';
import { Section } from '../shared/Section';

const YEAR_DAYS = 365.25;

/** Hours that nobody waits cost nothing, whatever an hour costs. */
const isOpen = (side: Ownership, line: CostLine) =>
  side.open.some((entry) => entry.line === line && !(entry.code === 'no-hour-value' && side.waitingHours === 0));
const isTold = (side: Ownership, line: CostLine) => side.byLine[line] !== 0 || isOpen(side, line);

/** What is known of a line; nothing known is no 0.00. */
function amountOf(side: Ownership, line: CostLine, currency: Currency) {
  if (!isOpen(side, line)) return coinsOnly(side.byLine[line], currency);
  return side.byLine[line] === 0 ? 'unknown' : `at least ${coinsOnly(side.byLine[line], currency)}`;
}

/** Cost over the years of service, both sides as running sums, and by what it is. */
export function OverYears({ comparison, draft, name, mine }: Sides & { draft: Assessment }) {
  const currency = useCurrency();
  const whole = useWholeDraft();
  const { context } = useMoment();
  const { settings, brief, today } = draft.facts;
  const { ours, pair } = useMemo((): { ours: Ownership; pair: OwnershipPair | undefined } => {
    const basket = basketFor(draft);
    // what later phases add is bought as well, when they come
    const later = (whole.phases ?? []).map(({ id, on }, i) => {
      const added = basketFor(assess(inPhase(whole, id), brief, context));
      const year = on === undefined ? i + 1 : Math.round(daysBetween(today, on) / YEAR_DAYS);
      return { minor: added.total.landedMinor, open: added.lowerBound, year };
    });
    const ourSide: OwnedSide = {
      assessment: draft,
      purchaseMinor: basket.total.landedMinor,
      purchaseOpen: basket.lowerBound,
      support: supportOf(draft.facts.parts),
      later,
    };
    if (!comparison.theirs) return { ours: ownershipOf(ourSide), pair: undefined };
    const both = compareOwnership(ourSide, {
      assessment: comparison.assessment,
      purchaseMinor: comparison.theirs.landedMinor,
      purchaseOpen: false,
      support: comparison.side.support,
    });
    return { ours: both.ours, pair: both };
  }, [draft, comparison, whole, brief, context, today]);
  const theirs = pair?.theirs;
  const xs = ours.runningMinor.map((_, year) => year);
  const values = (running: readonly number[]) => running.map((minor) => shownCoins(minor, currency));
  const partly = (pair?.leftOut.length ?? 0) + (pair?.tasksLeftOut.length ?? 0) > 0;
  const lines = [
    {
      id: 'ours',
      label: mine,
      values: values(pair?.oursRunningMinor ?? ours.runningMinor),
      strong: true,
      open: partly,
    },
    ...(pair
      ? [{ id: 'theirs', label: name, values: values(pair.theirsRunningMinor), dash: '6 3', open: partly }]
      : []),
  ];
  const leftOut = new Set(pair?.leftOut ?? []);
  const sum = (side: Ownership) =>
    COST_LINES.reduce((all, line) => (leftOut.has(line) ? all : all + side.byLine[line]), 0);
  const sumText = (side: Ownership) => `${side.open.length > 0 ? 'at least ' : ''}${coinsOnly(sum(side), currency)}`;
  const open = [...ours.open, ...(theirs?.open ?? [])];
  const words = [...new Set(open.map(openCostWords))];
  return (
    <Section
      label="Cost over the years"
      title={`Cost over ${number(brief.yearsOfService)} years`}
      gist={[ours, theirs].map((side) => (side ? sumText(side) : 'not sold here')).join(' against ')}
    >
      <LineChart
        title={`Cost of ${mine} and ${name} over the years, ${currency} of today`}
        xs={xs}
        lines={lines}
        xTicks={xs.map((year) => ({ at: year, label: year === 0 ? 'bought' : `year ${year}` }))}
        xWords={(year) => (year === 0 ? 'bought' : `after year ${year}`)}
        yWords={(value) => number(value, 6)}
        unit={currency}
        fromZero
        height={190}
      />
      <Table>
        <SideHeads first={`in ${currency} of today`} mine={mine} name={name} />
        <TableBody>
          {COST_LINES.filter((line) => [ours, theirs].some((side) => side && isTold(side, line))).map((line) => (
            <TableRow key={line}>
              <TableCell component="th" scope="row" sx={{ fontWeight: 400 }}>
                {COST_NAMES[line]}
                {leftOut.has(line) && (
                  <span className="unproven small"> ○ not compared: one side does not know all of it</span>
                )}
              </TableCell>
              <TableCell align="right">{amountOf(ours, line, currency)}</TableCell>
              <TableCell align="right">{theirs ? amountOf(theirs, line, currency) : 'not sold here'}</TableCell>
            </TableRow>
          ))}
          <TableRow>
            <TableCell component="th" scope="row">
              {partly ? 'What both sides know' : 'In all'}
            </TableCell>
            <TableCell align="right">{sumText(ours)}</TableCell>
            <TableCell align="right">{theirs ? sumText(theirs) : '—'}</TableCell>
          </TableRow>
        </TableBody>
      </Table>
      <p className="quiet small">
        Money at {number(settings.discountPercent)} % a year. Somebody waits {number(ours.waitingHours)} h a year here
        {theirs ? `, ${number(theirs.waitingHours)} h there` : ''}: runs in the background or left to themselves are
        free while they fit their sitting. Of a hundred machines {number(settings.repair.failuresPercent)} fail in a
        year. Resale loses {number(settings.resale.firstYearPercent)} % in the first year,{' '}
        {number(settings.resale.yearlyPercent)} % in each later one, {number(settings.resale.feePercent)} % of it fees.
        Workshop says so.
      </p>
      {(pair?.tasksLeftOut.length ?? 0) > 0 && (
        <p className="unproven small">
          ○ Waiting for {listed(pair?.tasksLeftOut ?? [])} is counted on neither side: one of them cannot predict it.
        </p>
      )}
      {words.map((text) => (
        <p key={text} className="unproven small">
          ○ {text}
        </p>
      ))}
    </Section>
  );
}
