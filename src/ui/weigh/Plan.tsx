'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { seatAddress } from '@/core/model/addresses';
import type { Brief } from '@/core/model/brief';
import { freshPhaseId } from '@/core/model/edits';
import type { Machine, Phase } from '@/core/model/machine';
import { inPhase, phaseOf } from '@/core/model/phases';
import { fullName } from '@/core/model/fitted';
import { monthsAfter } from '@/core/units/days';
import { minorOfShown, shownCoins, type Currency } from '@/core/units/money';
import { opensComparison, overtakings, type FallsShort } from '@/core/upgrade/course';
import type { Verdict } from '@/core/units/band';
import type { Planned, PhaseRow } from '@/core/upgrade/planned';
import { findingWords } from '@/core/words/findings';
import { coins, coinsOnly, listed, number } from '@/core/words/format';
import {
  boughtWords,
  fallsWords,
  openCourseWords,
  overtakingWords,
  phaseName,
  planMadeOf,
  planWords,
} from '@/core/words/plan';
import { useBrief, useDraft, useMoment, useWholeDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import { Sign } from '../shared/Beam';
import { LineChart } from '../shared/Chart';
import { Fold } from '../shared/Fold';
import { Heads } from '../shared/Heads';
import { TextButton } from '../shared/TextButton';
import { Value } from '../shared/Value';
import { BuyOrWait } from './BuyOrWait';
import { Future } from './Future';
import { RenewEarly } from './RenewEarly';

const LONGEST_YEARS = 12;

/** A machine and its phases over the years: when each comes, what it costs, and when the work outgrows it. */
export function Plan({ currency }: { currency: Currency }) {
  const brief = useBrief();
  const whole = useWholeDraft();
  const draft = useDraft();
  const drafts = useSeat((state) => state.bundle.drafts);
  const [years, setYears] = useState(() => Math.max(1, Math.round(brief.yearsOfService)));
  const [otherId, setOther] = useState<string>();
  const editBrief = useSeat((state) => state.editBrief);
  const present = drafts.find(({ body }) => body.present === true)?.body;
  const others = drafts.filter(({ body }) => body.id !== whole.id && body.items.length > 0 && body.present !== true);
  const other = others.find(({ id }) => id === otherId)?.body;
  const answer = usePlanned(whole, brief, years, present);
  const theirs = usePlanned(other, brief, years, present);
  const growth = brief.workGrowthPercent ?? 0;
  return (
    <Box component="section" aria-label="Plan" className="stack" sx={{ gap: '6px' }}>
      <p className="sentence">
        Over{' '}
        <Value
          label="Years looked ahead"
          editor={{
            kind: 'number',
            value: years,
            unit: 'years',
            min: 1,
            max: LONGEST_YEARS,
            whole: true,
            onChange: (next) => setYears(next ?? years),
          }}
        >
          {years === 1 ? 'a year' : `${years} years`}
        </Value>
        , the work growing{' '}
        <Value
          label="Growth of the work"
          editor={{
            kind: 'number',
            value: growth,
            unit: '% a year',
            min: 0,
            max: 200,
            explains: 'Longer films, more images, larger models: how much more there is to do each year.',
            onChange: (next) =>
              editBrief({ kind: 'set-figures', figures: { workGrowthPercent: next ?? 0 } }, 'Growth of the work'),
          }}
        >
          {`${number(growth)} % a year`}
        </Value>
        :
      </p>
      {answer.state === 'failed' && <p className="short small">The plan could not be worked out.</p>}
      {answer.state === 'waiting' && <p className="quiet small">Judging each phase …</p>}
      {answer.state === 'ready' && (
        <>
          <p>
            <b>{planWords(answer.value, whole.name, currency)}</b>
          </p>
          <p className="small">{planMadeOf(answer.value, currency)}</p>
          {answer.value.course.open.map((open) => (
            <p key={open.code} className="quiet small">
              {openCourseWords(open)}
            </p>
          ))}
          <Phases planned={answer.value} machine={whole} brief={brief} currency={currency} />
          <Outgrown planned={answer.value} machine={whole} brief={brief} currency={currency} />
        </>
      )}
      {others.length > 0 && (
        <p className="sentence small">
          Against{' '}
          <Value
            label="Plan to compare with"
            editor={{
              kind: 'choice',
              value: other ? (otherId ?? '') : '',
              options: [
                { value: '', label: 'nothing' },
                ...others.map(({ id, body }) => ({ value: id, label: body.name })),
              ],
              onChange: (next) => setOther(next === '' ? undefined : next),
            }}
          >
            {other?.name ?? 'another draft …'}
          </Value>
        </p>
      )}
      {other && theirs.state === 'waiting' && <p className="quiet small">Judging {other.name} …</p>}
      {other && answer.state === 'ready' && theirs.state === 'ready' && (
        <Beside
          ours={answer.value}
          theirs={theirs.value}
          names={[whole.name, other.name]}
          currency={currency}
          brief={brief}
        />
      )}
      <Fold summary={<span className="small">How far its board goes</span>}>
        <Future machine={draft} brief={brief} currency={currency} />
      </Fold>
      <Fold summary={<span className="small">Buy now, or wait for what is announced</span>}>
        <BuyOrWait />
      </Fold>
      <Fold summary={<span className="small">Renewing software early</span>}>
        <RenewEarly currency={currency} />
      </Fold>
    </Box>
  );
}

const usePlanned = (machine: Machine | undefined, brief: Brief, years: number, present: Machine | undefined) => {
  // the machine that is there takes nobody's place
  const before = machine?.present === true ? undefined : present;
  return useWorker(
    machine && `planned ${identity(machine)} ${identity(brief)} ${years} ${before ? identity(before) : ''}`,
    (api) =>
      // asked only with a machine
      api.planned(machine ?? { id: '', name: '', items: [] }, brief, years, before),
  );
};

interface Told {
  readonly planned: Planned;
  readonly machine: Machine;
  readonly brief: Brief;
  readonly currency: Currency;
}

function Phases({ planned: { phases }, machine, brief, currency }: Told) {
  const editDraft = useSeat((state) => state.editDraft);
  const selectPhase = useSeat((state) => state.selectPhase);
  const seat = useSeat((state) => state.bundle.seat);
  const today = useSeat((state) => state.bundle.today);
  const router = useRouter();
  const lookAt = (id: string): void => {
    selectPhase(id);
    router.push(seatAddress(seat.projectId, seat.id, 'draft'));
  };
  const add = (): void => {
    const last = phases.findLast(({ on }) => on !== undefined)?.on ?? today;
    const id = freshPhaseId(machine);
    editDraft({ kind: 'set-phase', phase: { id, name: 'Later', on: monthsAfter(last, 12) } }, 'Plan a later phase');
  };
  return (
    <>
      <Table size="small" aria-label="Phases of the plan">
        <Heads of={['Phase', 'Bought and leaving', `Net, ${currency}`]} words={['Bought and leaving']} />
        <TableBody>
          {phases.map((row) => (
            <TableRow key={row.id}>
              <TableCell component="th" scope="row" sx={{ fontWeight: 400 }}>
                <Sign verdict={verdictOf(row)} />{' '}
                <TextButton onClick={() => lookAt(row.id)}>{phaseName(row)}</TextButton>
                <When row={row} machine={machine} currency={currency} />
              </TableCell>
              <TableCell>
                {boughtWords(row)}
                <Wrong row={row} brief={brief} />
              </TableCell>
              <TableCell className="num">
                {row.purchaseOpen ? 'at least ' : ''}
                {coinsOnly(Math.round(row.net.likely), currency)}
                <OverBudget row={row} currency={currency} />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <p className="small">
        <TextButton onClick={add}>Add a phase</TextButton>{' '}
        <span className="quiet">What it brings is chosen in Draft, under its name.</span>
      </p>
    </>
  );
}

/** When a phase comes and what it may cost; the first is now. */
function When({ row, machine, currency }: { row: PhaseRow; machine: Machine; currency: Currency }) {
  const editDraft = useSeat((state) => state.editDraft);
  const phase = phaseOf(machine, row.id);
  if (!phase) return null;
  // what is taken away is left out, not kept as undefined
  const set = (change: { [K in keyof Phase]?: Phase[K] | undefined }, label: string): void => {
    const next = Object.entries({ ...phase, ...change }).filter(([, value]) => value !== undefined);
    editDraft({ kind: 'set-phase', phase: Object.fromEntries(next) as Phase }, label);
  };
  return (
    <div className="quiet small">
      <Value
        label={`Day of ${phase.name}`}
        editor={{
          kind: 'date',
          value: phase.on,
          onChange: (on) => set({ on }, `Day of ${phase.name}`),
        }}
      >
        {phase.on ?? 'no day yet'}
      </Value>
      {row.passed && ', which has passed'}
      <br />
      <Value
        label={`Budget of ${phase.name}`}
        editor={{
          kind: 'number',
          value: phase.budgetMinor === undefined ? undefined : shownCoins(phase.budgetMinor, currency),
          unit: currency,
          min: 0.01,
          optional: true,
          onChange: (major) =>
            set(
              { budgetMinor: major === undefined ? undefined : minorOfShown(major, currency) },
              `Budget of ${phase.name}`,
            ),
        }}
      >
        {phase.budgetMinor === undefined ? 'no budget' : `budget ${coins(phase.budgetMinor, currency)}`}
      </Value>
    </div>
  );
}

const Wrong = ({ row, brief }: { row: PhaseRow; brief: Brief }) => (
  <>
    {row.wrong.slice(0, MOST_TOLD).map((finding) => (
      <p key={finding.key} className={finding.level === 'blocks' ? 'short small' : 'unproven small'}>
        {findingWords(finding).says}
      </p>
    ))}
    {row.wrong.length > MOST_TOLD && <p className="quiet small">and {row.wrong.length - MOST_TOLD} more</p>}
    {row.short.length > 0 && (
      <p className="short small">
        {named(row.short, brief)} {row.short.length > 1 ? 'fall' : 'falls'} short
      </p>
    )}
    {row.unsure.length > 0 && <p className="unproven small">○ {named(row.unsure, brief)}: nobody can tell</p>}
  </>
);

const MOST_TOLD = 3;

const named = (ids: readonly string[], { tasks }: Pick<Brief, 'tasks'>): string =>
  listed(ids.map((id) => `“${tasks.find((task) => task.id === id)?.name ?? id}”`));

const isOverBudget = ({ budgetMinor, net }: PhaseRow): boolean =>
  budgetMinor !== undefined && Math.round(net.likely) > budgetMinor;

/** How a phase stands: what blocks or falls short, then what is unproven or costs more than it may. */
const verdictOf = (row: PhaseRow): Verdict =>
  row.short.length > 0 || row.wrong.some(({ level }) => level === 'blocks')
    ? 'short'
    : row.wrong.length + row.unsure.length > 0
      ? 'unproven'
      : isOverBudget(row)
        ? 'between'
        : 'carries';

function OverBudget({ row, currency }: { row: PhaseRow; currency: Currency }) {
  const { budgetMinor } = row;
  if (budgetMinor === undefined || !isOverBudget(row)) return null;
  return <p className="short small">over its {coinsOnly(budgetMinor, currency)}</p>;
}

/** When the work outgrows the machine, and what would help then. */
function Outgrown({ planned, machine, brief, currency }: Told) {
  const today = useSeat((state) => state.bundle.today);
  const { short, phases } = planned;
  const unsure = [...new Set(phases.flatMap((phase) => phase.unsure))];
  if (short.length === 0)
    return unsure.length === 0 ? (
      <p className="carries small">✓ Every task does what is asked throughout.</p>
    ) : (
      <p className="unproven small">○ Whether {named(unsure, brief)} will do what is asked nobody can tell.</p>
    );
  return (
    <ul aria-label="When the work outgrows it">
      {short.map((falls) => (
        <Box component="li" key={`${falls.task} ${falls.from}`} className="small" sx={{ padding: '2px 0' }}>
          {fallsWords(falls, brief, phases, today)}{' '}
          <WhatThen falls={falls} machine={machine} brief={brief} currency={currency} />
        </Box>
      ))}
    </ul>
  );
}

/** The cheapest single step that helps a task then; tried when somebody asks. */
function WhatThen({ falls, machine, brief, currency }: Omit<Told, 'planned'> & { falls: FallsShort }) {
  const [asked, setAsked] = useState(false);
  const then = inPhase(machine, falls.phase);
  const answer = useWorker(
    asked ? `then ${identity(then)} ${identity(brief)} ${falls.task} ${falls.times}` : undefined,
    (api) => api.thenMended(then, brief, falls.task, falls.times),
  );
  if (!asked) return <TextButton onClick={() => setAsked(true)}>What then?</TextButton>;
  if (answer.state === 'waiting') return <span className="quiet">Trying each step …</span>;
  if (answer.state === 'failed') return <span className="short">It could not be worked out.</span>;
  const step = answer.value;
  if (!step) return <span role="status">No single purchase helps enough then.</span>;
  return (
    <span role="status">
      {step.replaces === undefined
        ? `With ${fullName(step.part)} as well`
        : `With ${fullName(step.part)} for ${step.replaces}`}{' '}
      it does what is asked then
      {step.effect.priceMinor === undefined
        ? ''
        : `, for ${coins(step.effect.priceMinor, currency)} more at today’s prices`}
      .
    </span>
  );
}

/** Two plans as what each would have cost if it ended then. */
function Beside({
  ours,
  theirs,
  names,
  currency,
  brief,
}: {
  ours: Planned;
  theirs: Planned;
  names: readonly [string, string];
  currency: Currency;
  brief: Brief;
}) {
  const { today } = useMoment().context;
  const open = [...new Set(opensComparison(ours.course, theirs.course).map(openCourseWords))];
  const sure = open.length === 0;
  const xs = ours.course.days.map((_, i) => i + 1);
  const values = ({ course }: Planned) => course.costMinor.map((minor) => shownCoins(minor, currency));
  return (
    <>
      <p className="small">
        {planWords(theirs, names[1], currency)} {planMadeOf(theirs, currency)}
      </p>
      {sure ? (
        <p>
          <b>
            {overtakingWords(names, [ours.course, theirs.course], overtakings(ours.course, theirs.course), currency)}
          </b>
        </p>
      ) : (
        <p className="between small">◆ Which is cheaper is open. {open.join(' ')}</p>
      )}
      {theirs.short.map((falls) => (
        <p key={`${falls.task} ${falls.from}`} className="small">
          {names[1]}: {fallsWords(falls, brief, theirs.phases, today)}
        </p>
      ))}
      <LineChart
        title={`What each would have cost if it ended then, ${currency} of today`}
        xs={xs}
        lines={[
          { id: 'ours', label: names[0], values: values(ours), strong: true, open: !sure },
          { id: 'theirs', label: names[1], values: values(theirs), dash: '6 3', open: !sure },
        ]}
        xTicks={xs.filter((month) => month % 12 === 0).map((month) => ({ at: month, label: `year ${month / 12}` }))}
        xWords={(month) => ours.course.days[month - 1] ?? `month ${month}`}
        yWords={(value) => number(value, 6)}
        unit={currency}
        fromZero
        height={170}
        tableXs={xs.filter((month) => month % 6 === 0)}
      />
      <p className="quiet small">
        What was paid until then, less what the machine of then brings used; software and repairs are not in it.
      </p>
    </>
  );
}
