'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useMemo } from 'react';
import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/model/fitted';
import type { Item } from '@/core/model/machine';
import { standInsOf } from '@/core/upgrade/standIns';
import { phasedBy, type LadderStep } from '@/core/upgrade/ladder';
import { couldMove, worthOf, type TaskChange } from '@/core/upgrade/worth';
import { coins, listed } from '@/core/words/format';
import { getsText } from '@/core/words/results';
import {
  besideWords,
  ladderWords,
  paysAtWords,
  perCoinWords,
  standInWords,
  turnsWords,
  worthWords,
} from '@/core/words/upgrade';
import { useJudge } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import { Sign } from '../shared/Beam';
import { Fold } from '../shared/Fold';
import { Heads } from '../shared/Heads';
import { TextButton } from '../shared/TextButton';
import { CoreAlone } from './CoreAlone';
import { Future } from './Future';
import { MeasureFirst } from './MeasureFirst';
import { Sold } from './Sold';

interface Side {
  readonly id: string;
  readonly name: string;
  readonly assessment: Assessment;
}

/** Whether a draft is worth it against the machine that is there: net cost, the work, when it pays, and what is sold. */
export function Upgrade({ present, draft }: { present: Side; draft: Side }) {
  const worth = useMemo(() => worthOf(present.assessment, draft.assessment), [present.assessment, draft.assessment]);
  const judge = useJudge();
  const standIns = useMemo(
    () => standInsOf(present.assessment.facts.machine, draft.assessment, judge),
    [present.assessment, draft.assessment, judge],
  );
  const editDraft = useSeat((state) => state.editDraft);
  const { brief, machine, price } = draft.assessment.facts;
  const { currency } = price;
  const movable = couldMove(present.assessment.facts.machine, machine);
  const nameOf = ({ label, part }: Item): string => label ?? part;
  const pays = paysAtWords(worth, currency);
  return (
    <Box className="stack" sx={{ gap: '6px' }}>
      <p>
        <b>{worthWords(worth, draft.name, brief, currency)}</b>
      </p>
      <p className="small">
        {coins(worth.purchaseMinor, currency)} for what is new, less{' '}
        {coins(Math.round(worth.resale.net.likely), currency)} for what is sold
        {worth.resale.unknown.length > 0 ? `, without ${worth.resale.unknown.length} that nobody can price` : ''}
        {worth.resale.givenMinor > 0
          ? ` and ${coins(Math.round(worth.resale.givenMinor), currency)} that other seats save`
          : ''}
        .
      </p>
      {pays !== undefined && <p className="small">{pays}</p>}
      {standIns && <p className="unproven small">○ {standInWords(standIns)}</p>}
      {[...turnsWords(worth, brief), ...besideWords(worth, currency)].map((line) => (
        <p key={line} className="small">
          {line}
        </p>
      ))}
      <Fold summary={<span className="small">Each task, now and then</span>}>
        <Tasks changes={worth.tasks} names={new Map(brief.tasks.map(({ id, name }) => [id, name]))} />
      </Fold>
      {worth.carried.length > 0 && <p className="small">Moves on: {listed(worth.carried.map(nameOf))}.</p>}
      {movable.length > 0 && (
        <p className="small">
          There already, and bought again: {listed(movable.map(nameOf))}.{' '}
          <TextButton
            onClick={() =>
              editDraft(
                { kind: 'several', edits: movable.map(({ id }) => ({ kind: 'own', item: id, owned: true })) },
                'What is there moves on',
              )
            }
          >
            use what is there
          </TextButton>
        </p>
      )}
      <WhatFirst present={present} draft={draft} />
      <Fold summary={<span className="small">The core alone</span>}>
        <CoreAlone present={present} />
      </Fold>
      <Fold summary={<span className="small">What to measure first</span>}>
        <MeasureFirst present={present.assessment.facts.machine} draft={draft.assessment.facts.machine} />
      </Fold>
      <Fold summary={<span className="small">How far each board goes</span>}>
        <BoardFuture side={present} />
        <BoardFuture side={draft} />
      </Fold>
      <Fold summary={<span className="small">What is sold</span>}>
        <Sold
          parts={worth.resale.parts}
          assessment={present.assessment}
          currency={currency}
          onTerms={(item, resale, label) =>
            editDraft({ kind: 'resale', item, ...(resale ? { resale } : {}) }, label, present.id)
          }
        />
      </Fold>
    </Box>
  );
}

/** What a purchase is called as a phase. */
function purchaseName({ bought, leaving }: LadderStep): string {
  const [first, ...more] = (bought.length > 0 ? bought : leaving).map(({ label, part }) => label ?? part);
  return more.length === 0 ? (first ?? '') : `${first ?? ''} and ${more.length} more`;
}

/** The order in which the draft is best bought, when not all of it is at once. */
function WhatFirst({ present, draft }: { present: Side; draft: Side }) {
  const [from, to] = [present.assessment.facts.machine, draft.assessment.facts.machine];
  const { brief, price, today } = draft.assessment.facts;
  const adopt = useSeat((state) => state.adopt);
  const answer = useWorker(`ladder ${identity(from)} ${identity(to)} ${identity(brief)}`, (api) =>
    api.ladder(from, to, brief),
  );
  if (answer.state !== 'ready' || answer.value.steps.length < 2) return null;
  return (
    <Box component="section" aria-label="What first">
      <h3>What first</h3>
      <p className="quiet small">
        If it is bought one by one: the order in which most of the work is done while the rest is saved for. Each
        machine on the way is judged.
      </p>
      <ol>
        {answer.value.steps.map((step, i) => (
          <Box component="li" key={step.bought.map(({ id }) => id).join()} className="small" sx={{ padding: '2px 0' }}>
            {i + 1}{' '}
            <b>
              {step.bought.length > 0
                ? listed(step.bought.map(({ label, part }) => label ?? part))
                : `without ${listed(step.leaving.map(({ label, part }) => label ?? part))}`}
            </b>
            , {coins(step.costMinor, price.currency)}:{' '}
            {[ladderWords(step, brief), perCoinWords(step, price.currency)].filter(Boolean).join(', ')}.
          </Box>
        ))}
      </ol>
      {answer.value.open && (
        <p className="between small">◆ Something has no price, and weighs nothing in this order.</p>
      )}
      <TextButton onClick={() => void adopt(phasedBy(from, to, answer.value, today, purchaseName), undefined)}>
        Plan these purchases with dates
      </TextButton>
    </Box>
  );
}

/** How far the board of one side goes. */
function BoardFuture({ side }: { side: Side }) {
  const { machine, brief, parts, price } = side.assessment.facts;
  const board = parts.one('board')?.part;
  if (!board) return null;
  return (
    <Box component="section" aria-label={`How far ${fullName(board)} goes`} sx={{ marginBottom: '8px' }}>
      <h3>
        {fullName(board)}, {side.name}
      </h3>
      <Future machine={machine} brief={brief} currency={price.currency} />
    </Box>
  );
}

function Tasks({ changes, names }: { changes: readonly TaskChange[]; names: ReadonlyMap<string, string> }) {
  return (
    <Table size="small" aria-label="Each task now and then">
      <Heads of={['Task', 'now', 'then']} words={['now', 'then']} />
      <TableBody>
        {changes.map(({ task, before, after }) => (
          <TableRow key={task}>
            <TableCell component="th" scope="row">
              {names.get(task) ?? task}
            </TableCell>
            {[before, after].map((result, i) => (
              <TableCell key={i}>
                {result && (
                  <>
                    <Sign verdict={result.verdict} /> <span className={result.verdict}>{getsText(result)}</span>
                  </>
                )}
              </TableCell>
            ))}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
