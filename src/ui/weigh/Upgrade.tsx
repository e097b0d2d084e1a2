'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useMemo } from 'react';
import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/model/fitted';
import type { Item, ResaleTerms } from '@/core/model/machine';
import type { PartResale } from '@/core/upgrade/resale';
import { phasedBy } from '@/core/upgrade/ladder';
import { couldMove, worthOf, type TaskChange } from '@/core/upgrade/worth';
import { minorOfShown, shownCoins, type Currency } from '@/core/units/money';
import { coins, listed } from '@/core/words/format';
import { getsText } from '@/core/words/results';
import {
  besideWords,
  futureWords,
  ladderWords,
  paysAtWords,
  resaleWords,
  turnsWords,
  worthWords,
} from '@/core/words/upgrade';
import { useSeat } from '../seat/useSeat';
import { identity, useWorker } from '../seat/worker';
import { Sign } from '../shared/Beam';
import { Fold } from '../shared/Fold';
import { Heads } from '../shared/Heads';
import { TextButton } from '../shared/TextButton';
import { Value } from '../shared/Value';
import { CoreAlone } from './CoreAlone';
import { MeasureFirst } from './MeasureFirst';

interface Side {
  readonly id: string;
  readonly name: string;
  readonly assessment: Assessment;
}

/** Whether a draft is worth it against the machine that is there: net cost, the work, when it pays, and what is sold. */
export function Upgrade({ present, draft }: { present: Side; draft: Side }) {
  const worth = useMemo(() => worthOf(present.assessment, draft.assessment), [present.assessment, draft.assessment]);
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
        {worth.resale.unknown.length > 0 ? `, without ${worth.resale.unknown.length} that nobody can price` : ''}.
      </p>
      {pays !== undefined && <p className="small">{pays}</p>}
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
            , {coins(step.costMinor, price.currency)}: {ladderWords(step, brief)}.
          </Box>
        ))}
      </ol>
      {answer.value.open && (
        <p className="between small">◆ Something has no price, and weighs nothing in this order.</p>
      )}
      <TextButton
        onClick={() =>
          void adopt(
            phasedBy(from, to, answer.value, today, ({ bought, leaving }) =>
              listed((bought.length > 0 ? bought : leaving).map(({ label, part }) => label ?? part)),
            ),
            [],
            [],
          )
        }
      >
        Plan these purchases with dates
      </TextButton>
    </Box>
  );
}

/** What a board can be given later, by what it does for this work. */
function BoardFuture({ side }: { side: Side }) {
  const { machine, brief, parts, price } = side.assessment.facts;
  const board = parts.one('board')?.part;
  const answer = useWorker(board && `future ${identity(machine)} ${identity(brief)}`, (api) =>
    api.future(machine, brief),
  );
  if (!board) return null;
  return (
    <Box component="section" aria-label={`How far ${fullName(board)} goes`} sx={{ marginBottom: '8px' }}>
      <h3>
        {fullName(board)}, {side.name}
      </h3>
      {answer.state === 'ready' ? (
        answer.value.map((future) => (
          <p key={future.kind} className="small">
            {futureWords(future, price.currency)}
          </p>
        ))
      ) : (
        <p className="quiet small">
          {answer.state === 'failed' ? 'It could not be worked out.' : 'Trying what it takes …'}
        </p>
      )}
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

function Sold({
  parts,
  assessment,
  currency,
  onTerms,
}: {
  parts: readonly PartResale[];
  assessment: Assessment;
  currency: Currency;
  onTerms: (item: string, resale: ResaleTerms | undefined, label: string) => void;
}) {
  return (
    <ul>
      {parts.map((entry) => {
        const { item, fate } = entry;
        const part = assessment.facts.catalogue.part(item.part);
        const name = part ? fullName(part) : item.part;
        // what is taken away is left out, not kept as undefined
        const set = (change: { [K in keyof ResaleTerms]: ResaleTerms[K] | undefined }, label: string): void => {
          const terms = Object.fromEntries(
            Object.entries({ ...item.resale, ...change }).filter(([, value]) => value !== undefined),
          ) as ResaleTerms;
          onTerms(item.id, Object.keys(terms).length > 0 ? terms : undefined, label);
        };
        return (
          <Box component="li" key={item.id} sx={{ padding: '3px 0' }} className="small">
            <b>{name}</b>{' '}
            <Value
              label={`What becomes of ${name}`}
              editor={{
                kind: 'choice',
                value: fate,
                options: [
                  { value: 'sold', label: 'sold' },
                  { value: 'spare', label: 'kept as a spare' },
                ],
                onChange: (next) => set({ fate: next === 'spare' ? 'spare' : undefined }, `${name}: ${next}`),
              }}
            >
              {fate === 'spare' ? 'stays' : 'is sold'}
            </Value>
            {fate === 'sold' && <>: {resaleWords(entry, currency)}</>}{' '}
            {fate === 'sold' && entry.notSold !== 'not-transferable' && (
              <>
                (
                <Value
                  label={`Price for ${name}`}
                  editor={{
                    kind: 'number',
                    value: item.resale?.minor === undefined ? undefined : shownCoins(item.resale.minor, currency),
                    unit: currency,
                    min: 0.01,
                    optional: true,
                    explains: 'What it is thought to be sold for, before fees.',
                    onChange: (major) =>
                      set(
                        { minor: major === undefined ? undefined : minorOfShown(major, currency) },
                        `Price for ${name}`,
                      ),
                  }}
                >
                  price
                </Value>
                ,{' '}
                <Value
                  label={`${name} bought on`}
                  editor={{
                    kind: 'date',
                    value: item.paid?.on ?? item.resale?.boughtOn,
                    explains: 'Its age is counted from then.',
                    onChange: (day) => set({ boughtOn: day }, `${name} bought on`),
                  }}
                >
                  bought on
                </Value>
                )
              </>
            )}
          </Box>
        );
      })}
    </ul>
  );
}
