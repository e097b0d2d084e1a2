'use client';

import { TextButton } from '../shared/TextButton';
import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { ChoiceButton } from '../shared/ChoiceButton';
import { basketFor } from '@/core/versus/basketFor';
import { useMemo, useState } from 'react';
import { weighAnswer } from '@/core/words/answers';
import { Answer } from '../shared/Answer';
import type { Assessment } from '@/core/assess';
import { loudestOf, warmestFor } from '@/core/heat/state';
import type { Task } from '@/core/model/tasks';
import { FIRST } from '@/core/model/machine';
import { inPhase } from '@/core/model/phases';
import { useDraft, useMoment } from '../seat/moment';
import { assessmentOf, useSeat } from '../seat/useSeat';
import { TaskBeam } from '../shared/TaskBeam';
import { coins, number, watts } from '@/core/words/format';
import { needText } from '@/core/words/results';
import { budgetBeam } from '@/core/words/beams';
import { Beam, fullBeam } from '../shared/Beam';
import { DriveCourse } from './DriveCourse';
import { EditGrid } from './EditGrid';
import { FirstHour } from './FirstHour';
import { HeadToHead } from './HeadToHead';
import { HowMuch } from './HowMuch';
import { Measured } from './Measured';
import { NextCoin } from './NextCoin';
import { OperatingPoints } from './OperatingPoints';
import { Stages } from './Stages';
import { FindMachines } from '../find/FindMachines';
import { Section } from '../shared/Section';
import { levelSummary } from '../shared/Level';
import { Utilisation } from './Utilisation';
import { Hint } from '../shared/Hint';
import { later, opening } from '../shared/later';

// what is asked of the search stands behind a closed line
const Together = later(() => import('./Together').then((module) => module.Together), { meanwhile: opening });
const Plan = later(() => import('./Plan').then((module) => module.Plan), { meanwhile: opening });
const Upgrade = later(() => import('./Upgrade').then((module) => module.Upgrade), { meanwhile: opening });

/** A beam that is wider than this says no more, and its signs are drawn out of shape. */
const BEAM_WIDTH = { maxWidth: 280 } as const;

/** Tasks × drafts as a matrix of beams; where the chosen task's time goes; what the next coin buys. */
export function WeighStation() {
  const { brief, context } = useMoment();
  const drafts = useSeat((state) => state.bundle.drafts);
  const draftId = useSeat((state) => state.draftId);
  const selectDraft = useSeat((state) => state.selectDraft);
  const phase = useSeat((state) => state.phase);
  const selectPhase = useSeat((state) => state.selectPhase);
  const draft = useDraft();
  const [chosen, setChosen] = useState<string>();
  const columns = useMemo(
    () =>
      drafts.flatMap((entry) => {
        const now = {
          ...entry,
          key: entry.id,
          phase: FIRST,
          name: entry.body.name,
          assessment: assessmentOf(entry.body, brief, context),
        };
        const ahead = (entry.body.phases ?? []).map(({ id, name }) => ({
          ...now,
          key: `${entry.id} ${id}`,
          phase: id,
          name: `${entry.body.name}, ${name}`,
          assessment: assessmentOf(inPhase(entry.body, id), brief, context),
        }));
        return [now, ...ahead];
      }),
    [drafts, brief, context],
  );
  const task: Task | undefined = brief.tasks.find((candidate) => candidate.id === chosen) ?? brief.tasks[0];
  // what is below is of the phase that is looked at; what is asked of a whole draft, of its first
  const first = columns.find((column) => column.key === draftId);
  const selected = columns.find((column) => column.id === draftId && column.phase === phase) ?? first;
  const there = columns.find((column) => column.body.present);
  if (brief.tasks.length === 0)
    return (
      <div className="pane">
        <h2>Tasks and drafts</h2>
        <p className="quiet">There is nothing to weigh yet: add a task in the Brief.</p>
      </div>
    );
  return (
    <Box className="columns" sx={{ gridTemplateColumns: 'minmax(0, 1fr) minmax(320px, 400px)' }}>
      <section className="pane" aria-label="Tasks and drafts">
        <Answer>{weighAnswer(columns.flatMap(({ key, id, assessment }) => (key === id ? [assessment] : [])))}</Answer>
        <Table sx={{ tableLayout: 'fixed' }}>
          <TableHead>
            <TableRow>
              <TableCell scope="col" sx={{ width: '21%' }}>
                Task
              </TableCell>
              {columns.map((column) => (
                <TableCell key={column.key} scope="col">
                  <ChoiceButton
                    chosen={column.key === selected?.key}
                    onClick={() => {
                      selectDraft(column.id);
                      selectPhase(column.phase);
                    }}
                  >
                    {column.name}
                  </ChoiceButton>
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {brief.tasks.map((row) => (
              <TableRow key={row.id} sx={{ background: row.id === task?.id ? 'var(--sunk)' : 'none' }}>
                <TableCell component="th" scope="row" sx={{ paddingLeft: '6px' }}>
                  <TextButton
                    aria-pressed={row.id === task?.id}
                    onClick={() => setChosen(row.id)}
                    sx={{ color: 'text.primary', textDecoration: row.id === task?.id ? 'none' : 'underline' }}
                  >
                    {row.name}
                  </TextButton>
                  <Asked>{askedOf(row.id, columns)}</Asked>
                </TableCell>
                {columns.map((column) => {
                  const result = column.assessment.tasks.find((candidate) => candidate.task === row.id);
                  return (
                    <TableCell key={column.key} sx={{ paddingTop: '2px', paddingBottom: '2px', '& > *': BEAM_WIDTH }}>
                      {result && (
                        <TaskBeam
                          assessment={column.assessment}
                          task={row}
                          result={result}
                          change={{ label: '', need: undefined }}
                        />
                      )}
                    </TableCell>
                  );
                })}
              </TableRow>
            ))}
            <TableRow>
              <TableCell component="th" scope="row" sx={{ paddingLeft: '6px' }}>
                Price, landed: tax and shipping in
                <Asked>
                  {brief.budgetMinor !== undefined &&
                    columns[0] &&
                    `budget ${coins(brief.budgetMinor, columns[0].assessment.facts.price.currency)}`}
                </Asked>
              </TableCell>
              {columns.map((column) => {
                const { price, machine } = column.assessment.facts;
                const budget = budgetBeam(column.assessment);
                const bare = machine.items.length === 0;
                const owned = machine.items.every((item) => item.owned);
                return (
                  <TableCell key={column.key} sx={{ '& > *': BEAM_WIDTH }}>
                    {bare || owned ? (
                      <span className="quiet">{bare ? 'nothing chosen yet' : 'owned already'}</span>
                    ) : budget ? (
                      <Beam {...fullBeam(budget)} need={undefined} />
                    ) : (
                      coins(basketFor(column.assessment).total.landedMinor, price.currency)
                    )}
                  </TableCell>
                );
              })}
            </TableRow>
            <TableRow>
              <TableCell component="th" scope="row" sx={{ paddingLeft: '6px' }}>
                Draw
              </TableCell>
              {columns.map((column) => (
                <TableCell key={column.key}>
                  {column.assessment.facts.power.sustainedOpen ? 'at least ' : ''}
                  {watts(column.assessment.facts.power.sustainedW)} sustained,{' '}
                  {watts(column.assessment.facts.power.peakW)} peak
                </TableCell>
              ))}
            </TableRow>
            <TableRow>
              <TableCell component="th" scope="row" sx={{ paddingLeft: '6px' }}>
                Heat and noise
              </TableCell>
              {columns.map((column) => (
                <TableCell key={column.key}>
                  <Warmth assessment={column.assessment} />
                </TableCell>
              ))}
            </TableRow>
            <TableRow>
              <TableCell component="th" scope="row" sx={{ paddingLeft: '6px' }}>
                Findings
              </TableCell>
              {columns.map((column) => (
                <TableCell key={column.key} className="small">
                  {levelSummary(column.assessment.findings)}
                </TableCell>
              ))}
            </TableRow>
          </TableBody>
        </Table>
        {selected && <Utilisation assessment={selected.assessment} />}
        {selected && columns.length > 1 && <HeadToHead columns={columns} selected={selected} />}
        <OperatingPoints />
        {task && (task.kind === 'edit-play' || task.kind === 'edit-export') && <EditGrid machine={draft} task={task} />}
        {selected && <Measured assessment={selected.assessment} />}
      </section>
      <section className="pane" aria-label="Stages and next coin">
        {task && selected && <Stages task={task} assessment={selected.assessment} />}
        {task && <HowMuch task={task} />}
        {task && selected && <FirstHour task={task} assessment={selected.assessment} />}
        {task && selected && <DriveCourse task={task} assessment={selected.assessment} />}
        <NextCoin />
        <Section label={TOGETHER}>
          <Together />
        </Section>
        {there && first && there.id !== first.id && (
          <Section label={FROM_PRESENT}>
            <Upgrade present={there} draft={first} />
          </Section>
        )}
        {selected && draft.items.length > 0 && (
          <Section label={PLAN}>
            <Plan currency={selected.assessment.facts.price.currency} />
          </Section>
        )}
        <Section label="Other machines">
          <FindMachines />
        </Section>
      </section>
    </Box>
  );
}

/** Whether a draft is worth it where there is a machine already. */
const FROM_PRESENT = 'From the present machine';

/** Phases with dates, and what they cost. */
const PLAN = 'Plan over the years';

/** Where the next coin has several parts change. */
const TOGETHER = 'Several parts at once';

/** What every draft is asked for, said once beside the row's name. */
const Asked = ({ children }: { children: string | false | undefined }) =>
  children ? <div className="quiet small">{children}</div> : null;

function askedOf(task: string, columns: readonly { readonly assessment: Assessment }[]): string | undefined {
  const result = columns.flatMap(({ assessment }) => assessment.tasks).find((candidate) => candidate.task === task);
  return result && needText(result);
}

/** The processor's temperature in its warmest sitting and the level in the loudest. */
function Warmth({ assessment }: { assessment: Assessment }) {
  const { heat, brief, power } = assessment.facts;
  const chip = heat.setup.hot.findIndex((part) => part.kind === 'processor');
  const warmest = warmestFor(heat.sittings, chip);
  const loudest = loudestOf(heat.sittings);
  const held = heat.sittings.some(({ best }) => best.heldBy.processor === 'heat');
  if (!loudest) return <span className="quiet">no sitting</span>;
  const where = brief.sittings.find(({ id }) => id === warmest?.heat.sitting)?.name ?? 'a task alone';
  return (
    <>
      {warmest && (
        <Hint says={`The processor in its warmest sitting, ${where}`}>
          <span className={held ? 'short' : ''}>
            processor {power.sustainedOpen ? 'at least ' : ''}
            {number(warmest.best.tempC)} °C{held ? ', held by heat' : ''},{' '}
          </span>
        </Hint>
      )}
      {loudest.noise.missing.length > 0 ? 'at least ' : ''}
      {loudest.noise.sources.length === 0 ? 'nothing in it sounds' : `${number(loudest.noise.dbA)} dB(A)`}
    </>
  );
}
