'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { Fragment, useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import {
  lineState,
  meanwhile,
  orderTotals,
  type LineState,
  type Order,
  type OrderLine,
  type Stage,
} from '@/core/quote/order';
import type { Currency } from '@/core/units/money';
import { coins, coinsOnly, listed } from '@/core/words/format';
import { orderStep } from '@/server/actions';
import { useDraftAssessment } from '../seat/moment';
import { later, opening } from '../shared/later';
import type { NextStep } from './nextStep';
import { Opener } from '../shared/Opener';
import { Problems } from '../shared/Problems';
import { TextButton } from '../shared/TextButton';

const StepEntry = later(() => import('./StepEntry').then((module) => module.StepEntry), { meanwhile: opening });

const STATE: Readonly<Record<LineState, string>> = {
  'to-buy': 'to buy',
  overdue: 'its price has ended',
  ordered: 'ordered',
  late: 'late',
  there: 'there',
  'sent-back': 'sent back',
  refunded: 'refunded',
};
const BY: Readonly<Partial<Record<LineState, string>>> = {
  'to-buy': 'by',
  overdue: 'on',
  ordered: 'due',
  late: 'due',
  there: 'can go back until',
};
const STAGE: Readonly<Record<Stage, string>> = {
  bench: 'Build board, processor, memory and cooler',
  start: 'Start it on the bench',
  house: 'Put it into the case',
  install: 'Install the system',
};

interface Props {
  readonly quote: string;
  readonly revision: number;
  readonly order: Order;
  readonly reload: () => Promise<void>;
}

/** What is bought where and by when, what was paid and came, and what can be begun with it. */
export function OrderView({ quote, revision, order, reload }: Props) {
  const { facts, region } = useDraftAssessment();
  const { currency } = region;
  const { today } = facts;
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const totals = orderTotals(order);
  const sellers = [...new Map(order.lines.map(({ seller }) => [seller.id, seller])).values()];
  const step = async (line: string, what: object) => {
    const result = await orderStep(quote, revision, line, what);
    setProblems(result.state === 'refused' ? result.problems : []);
    await reload();
  };
  const late = order.lines.filter((line) => ['late', 'overdue'].includes(lineState(line, today).state));
  return (
    <>
      <p>
        In all <b>{coins(totals.totalMinor, currency)}</b>, tax and shipping in: {coins(totals.paidMinor, currency)}{' '}
        paid, {coins(totals.openMinor, currency)} still to be bought
        {totals.backMinor > 0 ? `, ${coins(totals.backMinor, currency)} came back` : ''};{' '}
        {coins(totals.expectedMinor, currency)} was expected.
      </p>
      {late.length > 0 && (
        <p className="caution">◆ Late, or its price has ended: {listed(late.map(({ name }) => name))}.</p>
      )}
      {order.unbought.length > 0 && (
        <p className="unproven">
          ○ Nobody sells {listed(order.unbought)} here; buy it elsewhere, and give it a price by hand.
        </p>
      )}
      {problems.length > 0 && <Problems title="Not kept" list={problems} />}
      <Table sx={{ maxWidth: 980 }} aria-label="Purchases">
        <TableHead>
          <TableRow>
            <TableCell scope="col">{currency}</TableCell>
            <TableCell align="right" scope="col">
              pieces
            </TableCell>
            <TableCell align="right" scope="col">
              expected
            </TableCell>
            <TableCell align="right" scope="col">
              paid
            </TableCell>
            <TableCell scope="col">state</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {sellers.map((seller) => (
            <Fragment key={seller.id}>
              <TableRow>
                <TableCell component="th" scope="rowgroup" colSpan={6} sx={{ pt: 2, color: 'var(--ink)' }}>
                  {seller.name}
                  <Codes lines={order.lines.filter((line) => line.seller.id === seller.id)} />
                </TableCell>
              </TableRow>
              {order.lines
                .filter((line) => line.seller.id === seller.id)
                .map((line) => (
                  <Line
                    key={line.id}
                    line={line}
                    today={today}
                    currency={currency}
                    onStep={(what) => step(line.id, what)}
                  />
                ))}
            </Fragment>
          ))}
        </TableBody>
      </Table>
      <h3>What can be begun</h3>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {meanwhile(order.lines).map(({ stage, waitsFor }) => (
          <li key={stage}>
            {waitsFor.length === 0 ? '▲' : '○'} {STAGE[stage]}
            <span className="quiet small">
              {waitsFor.length === 0 ? ': all is there' : `: waits for ${listed(waitsFor)}`}
            </span>
          </li>
        ))}
      </Box>
    </>
  );
}

/** Codes to name with an order. */
function Codes({ lines }: { lines: readonly OrderLine[] }) {
  const codes = [...new Set(lines.flatMap(({ coupon }) => coupon ?? []))];
  if (codes.length === 0) return null;
  return (
    <span className="quiet">
      , code <span className="mono">{codes.join(', ')}</span>
    </span>
  );
}

interface LineProps {
  readonly line: OrderLine;
  readonly today: string;
  readonly currency: Currency;
  readonly onStep: (what: object) => Promise<void>;
}

function Line({ line, today, currency, onStep }: LineProps) {
  const { state, by } = lineState(line, today);
  const next = line.back
    ? line.back.refundMinor === undefined
      ? 'refund'
      : undefined
    : line.received !== undefined
      ? 'back'
      : line.bought
        ? 'received'
        : 'bought';
  return (
    <TableRow>
      <TableCell>
        {line.link === undefined ? (
          line.name
        ) : (
          <a href={line.link} target="_blank" rel="noreferrer">
            {line.name}
          </a>
        )}
        {line.seats.length > 0 && <span className="quiet small"> for {listed(line.seats)}</span>}
        {line.bundle !== undefined && <span className="quiet small">, in {line.bundle}</span>}
      </TableCell>
      <TableCell align="right">{line.count}</TableCell>
      <TableCell align="right">{coinsOnly(line.expectedMinor, currency)}</TableCell>
      <TableCell align="right">{line.bought ? coinsOnly(line.bought.paidMinor, currency) : ''}</TableCell>
      <TableCell className={state === 'late' || state === 'overdue' ? 'caution' : 'quiet'}>
        {STATE[state]}
        {by !== undefined && `, ${BY[state] ?? ''} ${by}`}
        {line.back?.refundMinor !== undefined && `, ${coinsOnly(line.back.refundMinor, currency)}`}
      </TableCell>
      <TableCell align="right">
        {next && (
          <Opener label={NEXT[next]}>
            {(close) => (
              <StepEntry what={next} line={line} today={today} currency={currency} onKeep={onStep} onDone={close} />
            )}
          </Opener>
        )}
        {(line.bought ?? line.received) && (
          <TextButton
            aria-label={`Take the last step of ${line.name} back`}
            onClick={() => void onStep({ step: 'undo' })}
          >
            take back
          </TextButton>
        )}
      </TableCell>
    </TableRow>
  );
}

const NEXT: Readonly<Record<NextStep, string>> = {
  bought: 'Bought',
  received: 'Received',
  back: 'Goes back',
  refund: 'Refunded',
};
