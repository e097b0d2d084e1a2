'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useRef, type ReactNode } from 'react';
import type { Machine } from '@/core/model/machine';
import { plainNumber, ratioOf } from '@/core/units/money';
import type { End } from '@/core/search/exact/question';
import { lookedAtWords } from '@/core/words/effort';
import { coins, counting, number, percent } from '@/core/words/format';
import { clashWords, demandWords, lessMoneyWords, relaxedWords, type FoundWords } from '@/core/words/found';
import type { OwnedRow } from '@/server/contract';
import type { Limits as SearchLimits } from '@/core/search/exact/limits';
import type { Ask, Line, Report } from '@/workers/searchApi';
import { useBrief } from '../seat/moment';
import { useCurrency, useSeat } from '../seat/useSeat';
import { ChoiceRow } from '../shared/ChoiceRow';
import { NotAsked, Working } from './AskButton';
import { DraftAhead } from './DraftAhead';
import { FoundSummary, type Look } from './FoundSummary';
import { useAim, useLimits, type Limits } from './limits';
import { LimitsRow } from './LimitsRow';
import { finding } from './questions';
import { later, opening } from '../shared/later';

// the charts of a search are fetched when there is something to draw, and so is what can be asked of it
const FrontierChart = later(() => import('./FrontierChart').then((module) => module.FrontierChart), {
  meanwhile: opening,
});
const WaitingCounted = later(() => import('./WaitingCounted').then((module) => module.WaitingCounted), {
  meanwhile: opening,
});
const PartCaseView = later(() => import('./PartCaseView').then((module) => module.PartCaseView), {
  meanwhile: opening,
});
const DemandCosts = later(() => import('./DemandCosts').then((module) => module.DemandCosts), { meanwhile: opening });
const HowSure = later(() => import('./HowSure').then((module) => module.HowSure), { meanwhile: opening });
const OneOrTwo = later(() => import('./OneOrTwo').then((module) => module.OneOrTwo), { meanwhile: opening });

interface Props {
  /** A draft that is completed. */
  readonly from?: Machine;
  /** A machine that is to be matched, and what it costs. */
  readonly match?: { readonly machine: Machine; readonly landedMinor: number; readonly name: string };
  /** What is done with the answer beside showing it. */
  readonly onAdopted?: () => void;
}

interface Titles {
  readonly cheapest: string;
  /** Undefined: the best for what may be spent. */
  readonly best: string | undefined;
}

/** Finds the machines for a brief: the cheapest that does the work, the best for the budget, and all between. */
export function FindMachines({ from, match, onAdopted }: Props) {
  const topic = match ? 'match' : from ? 'complete' : 'brief';
  const seat = useSeat((state) => state.bundle.seat.id);
  const owned = useSeat((state) => state.bundle.owned);
  const [limits, limit] = useLimits(`${seat} ${topic}`);
  const [{ at, part }, aim] = useAim(`${seat} ${topic}`);
  const ask: Omit<Ask, 'brief'> = {
    at,
    limits: asLimits(limits, owned),
    ...(from ? { from } : {}),
    ...(match ? { match: match.machine, mostMinor: match.landedMinor } : {}),
  };
  const { report, failed, running, begin, stop } = finding.useAsked(ask, topic);
  // whoever says what to look for instead has asked for it
  const again = useRef(false);
  const onLimit: Look['onLimit'] = (change) => {
    again.current = report !== undefined || running;
    limit(change);
  };
  useEffect(() => {
    if (!again.current) return;
    again.current = false;
    void begin();
  });
  const look: Look = { limits, onLimit, onAdopted };
  const currency = useCurrency();
  const titles: Titles = match
    ? {
        cheapest: `As good as ${match.name}, for less`,
        best: `For the same money, ${coins(match.landedMinor, currency)}`,
      }
    : {
        cheapest: from
          ? `${from.name}, completed`
          : at === 'low'
            ? 'Cheapest that surely does the work'
            : 'Cheapest that likely does the work',
        best: undefined,
      };
  const brief = useBrief();
  if (brief.tasks.length === 0)
    return <p className="quiet small">Machines are found by what they have to do: add the first task to the brief.</p>;
  return (
    <Box className="stack" sx={{ gap: '8px' }}>
      <Box className="row wrap" sx={{ gap: '10px' }}>
        {running ? (
          <Button variant="outlined" onClick={stop}>
            Stop, keep what is found
          </Button>
        ) : (
          <Button variant="contained" onClick={() => void begin()}>
            {match ? 'Match it' : from ? 'Find the rest' : 'Find machines'}
          </Button>
        )}
        <ChoiceRow
          aria-label="Targets are met"
          value={at}
          options={[
            { id: 'likely', label: 'likely meets the targets' },
            { id: 'low', label: 'surely, at the low end' },
          ]}
          onPick={(end) => aim({ at: end })}
        />
      </Box>
      <LimitsRow limits={limits} answered={report !== undefined} onChange={onLimit} />
      {!report && !running && !failed && (
        <p className="quiet small">
          {match
            ? 'Looks for machines that are as good at every task and have as much room, for less or for the same money.'
            : 'All parts on sale are searched under all rules and predictions, until it is proven that nothing better was missed.'}
        </p>
      )}
      <NotAsked failed={failed} />
      {(report ?? running) && <Answers report={report} running={running} titles={titles} at={at} look={look} />}
      {!match && report?.cheapest.state === 'proven' && (
        <>
          <DemandCosts ask={ask} topic={topic} />
          <PartCaseView ask={ask} topic={topic} look={look} row={part} onRow={(row) => aim({ part: row })} />
          <HowSure ask={ask} topic={topic} />
        </>
      )}
      {topic === 'brief' &&
        brief.sittings.length > 1 &&
        (report?.cheapest.state === 'proven' || report?.cheapest.state === 'none') && (
          <OneOrTwo ask={ask} topic={topic} look={look} />
        )}
      {topic === 'brief' && report?.cheapest.state === 'proven' && <DraftAhead />}
    </Box>
  );
}

function Answers({
  report,
  running,
  titles,
  at,
  look,
}: {
  report: Report | undefined;
  running: boolean;
  titles: Titles;
  at: End;
  look: Look;
}) {
  const currency = useCurrency();
  const brief = useBrief();
  if (!report)
    return (
      <>
        <Working label="Searching" waits={false} />
        <p className="quiet small">Reading the catalogue …</p>
      </>
    );
  const { cheapest, best, points, clash, mostMinor } = report;
  const [mostWork] = [...points].sort((a, b) => perCoin(b) - perCoin(a));
  // one of the others may be it: nothing is told twice
  const also = (line: Line): string => (mostWork && line.found && sameMachine(line.found, mostWork) ? ALSO : '');
  const own = points.length > 1 && also(cheapest) === '' && also(best) === '' ? mostWork : undefined;
  const stopped = [cheapest.state, best.state, report.frontier].includes('stopped');
  const over = cheapest.found && mostMinor !== undefined && cheapest.found.priceMinor > mostMinor;
  // while points are still to come another may do more for the same money
  const whole = report.frontier === 'proven';
  const less = mostMinor === undefined || !whole ? undefined : lessMoneyWords(points, mostMinor, brief, currency);
  const fewer = cheapest.state === 'none' || over;
  return (
    <>
      {running && <Working label="Searching" waits={report.waits} />}
      <p className="quiet small" role={running ? undefined : 'status'}>
        {report.waits ? 'Waiting its turn' : running ? 'Searching' : stopped ? 'Stopped' : 'Done'}:{' '}
        {lookedAtWords(report.effort)}, {counting(report.effort.assessed, 'whole one')} judged, in{' '}
        {number(report.seconds, 2)} s.
      </p>
      <Card title={titles.cheapest} also={also(cheapest)} line={cheapest} look={look}>
        {cheapest.state === 'none' && (
          <p className="short small">
            ▼ No machine on sale does all of it.{' '}
            {clash ? clashWords(clash, brief) : running ? 'What clashes is being looked for …' : ''}
          </p>
        )}
        {clash?.demands.map((relaxed) => (
          <p key={demandWords(relaxed.demand, brief)} className="small">
            Without <b>{demandWords(relaxed.demand, brief)}</b>: {relaxedWords(relaxed, currency)}.
          </p>
        ))}
        {over && cheapest.found && mostMinor !== undefined && (
          <p className="between small">
            ◆ {coins(cheapest.found.priceMinor - mostMinor, currency)} over {titles.best ? 'its price' : 'the budget'}.
          </p>
        )}
      </Card>
      {mostMinor !== undefined && (
        <Card title={titles.best ?? `Best for ${coins(mostMinor, currency)}`} also={also(best)} line={best} look={look}>
          {fewer && best.found && <p className="quiet small">For this money no machine does all of the work.</p>}
          {best.state === 'none' && <p className="short small">▼ No sound machine can be bought for this.</p>}
        </Card>
      )}
      {own && (
        <Card
          title={MOST_WORK}
          line={{
            state: whole ? 'proven' : 'searching',
            found: own,
            atLeastMinor: undefined,
          }}
          look={look}
        />
      )}
      {points.length > 1 && <FrontierChart points={points} at={at} look={look} />}
      {less !== undefined && <p className="small">{less}</p>}
      {points.length > 1 && <WaitingCounted points={points} whole={whole} />}
    </>
  );
}

/** Limits as the search takes them. */
const asLimits = (limits: Limits, owned: readonly OwnedRow[]): SearchLimits => ({
  keep: limits.keep,
  withoutParts: limits.withoutParts.map(({ id }) => id),
  withoutMakers: limits.withoutMakers,
  rebates: limits.rebates,
  lasting: limits.lasting,
  mostFor: limits.mostFor,
  spare: limits.owned
    ? owned.flatMap(({ id, part, label, count }) =>
        Array.from({ length: count }, (_, i) => ({ id: `${id}-${i + 1}`, part, label })),
      )
    : [],
});

const MOST_WORK = 'Most work a coin';
const ALSO = ', and most work a coin';
const sameMachine = (a: FoundWords, b: FoundWords): boolean =>
  JSON.stringify(a.machine.items) === JSON.stringify(b.machine.items);

const perCoin = ({ rank, priceMinor }: FoundWords): number => rank.percent / plainNumber(priceMinor);

/** One answer: its price, what it does, what decides it, and the way on. */
function Card({
  title,
  also = '',
  line,
  look,
  children,
}: {
  title: string;
  /** What else it is. */
  also?: string;
  line: Line;
  look: Look;
  children?: ReactNode;
}) {
  const currency = useCurrency();
  const { found, state, atLeastMinor } = line;
  return (
    <Box component="section" aria-label={title} sx={{ border: '1px solid var(--hair)', padding: '8px 10px' }}>
      <Box className="spread">
        <h3>
          {title}
          {also}
        </h3>
        <b className="num">{found ? coins(found.priceMinor, currency) : ''}</b>
      </Box>
      <p className="quiet small">
        {state === 'waiting'
          ? 'Its turn comes next.'
          : state === 'proven'
            ? 'Proven: nothing better was missed.'
            : state === 'stopped' || state === 'searching'
              ? `${found ? 'The best so far' : 'Nothing found yet'}${atLeastMinor === undefined ? '' : `; there is nothing below ${coins(Math.floor(atLeastMinor), currency)}`}${found && atLeastMinor !== undefined ? ` (${percent(Math.max(0, 1 - ratioOf(atLeastMinor, found.priceMinor)))} still open)` : ''}.`
              : ''}
      </p>
      {found && <FoundSummary found={found} title={title} look={look} />}
      {children}
    </Box>
  );
}
