'use client';

import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { freshSittingId, freshTaskId, type BriefEdit } from '@/core/model/edits';
import type { Brief, Sitting } from '@/core/model/brief';
import { problemsOf } from '@/core/formats/problems';
import { taskSchema, type Task } from '@/core/model/tasks';
import { startingTask, TEMPLATES } from '@/core/work/templates';
import { keptRunsOf, leavesFiles } from '@/core/work/kept';
import { waitingOfTask } from '@/core/work/waiting';
import { minorOfShown, shownCoins } from '@/core/units/money';
import { coins, number } from '@/core/words/format';
import { briefAnswer } from '@/core/words/answers';
import { unusualTerms } from '@/core/words/terms';
import { assessmentOf, useDraftAssessment, useSeat } from '../seat/store';
import { Answer } from '../shared/Answer';
import { useRemembered } from '../shared/useRemembered';
import { Beam } from '../shared/Beam';
import { taskBeam } from '@/core/words/beams';
import { Value } from '../shared/Value';
import { Demands } from './Demands';
import { OwnedDisplays } from './OwnedDisplays';
import { Buying } from './Buying';
import { Service } from './Service';
import { Num, Pick } from '../shared/phrases';
import { TaskSentence } from './sentences';
import { Connections, WholeDesk } from './WholeDesk';

/** Left, the work as editable sentences grouped by sitting; right, what it demands, live. */
export function BriefStation() {
  const brief = useSeat((state) => state.bundle.brief.body);
  const edit = useSeat((state) => state.editBrief);
  const project = useSeat((state) => state.bundle.seat.projectName);
  const today = useSeat((state) => state.bundle.today);
  const alone = brief.tasks.filter((task) => !brief.sittings.some((sitting) => sitting.tasks.includes(task.id)));
  const shown = new Set<string>();
  return (
    <Box className="columns" sx={{ gridTemplateColumns: 'minmax(0, 1.35fr) minmax(360px, 1fr)' }}>
      <section className="pane" aria-label="The work">
        <p className="printed">
          {project}: {brief.name}. The work as it was told on {today}.
        </p>
        <Terms brief={brief} edit={edit} />
        {brief.tasks.length === 0 && (
          <Box component="p" className="quiet" sx={{ margin: '12px 0' }}>
            What does this person do? Add the first task; every figure can be changed afterwards, and the machine is
            judged by it.
          </Box>
        )}
        {brief.sittings.map((sitting) => {
          const first = sitting.tasks.filter((id) => !shown.has(id));
          for (const id of first) shown.add(id);
          return <SittingBlock key={sitting.id} sitting={sitting} brief={brief} edit={edit} inFull={first} />;
        })}
        {alone.length > 0 && (
          <Box sx={{ marginTop: '14px' }}>
            <h2>In no sitting</h2>
            <p className="quiet small">These are judged as if nothing else ran.</p>
            {alone.map((task) => (
              <TaskBlock key={task.id} task={task} edit={edit} />
            ))}
          </Box>
        )}
        <AddTask brief={brief} edit={edit} />
        <Box component="p" className="printed" sx={{ marginTop: '24px' }}>
          This is the work that the machine is to be sized for. Confirmed by ______________________________ on
          ____________________
        </Box>
      </section>
      <section className="pane unprinted" aria-label="What it demands">
        <Demands />
      </section>
    </Box>
  );
}

type Edit = (edit: BriefEdit, label: string) => void;

/** What the work demands, and whether a draft meets it. */
function BriefAnswer() {
  const brief = useSeat((state) => state.bundle.brief.body);
  const drafts = useSeat((state) => state.bundle.drafts);
  const context = useSeat((state) => state.context);
  const made = drafts.filter(({ body }) => body.present !== true);
  return <Answer>{briefAnswer(made.map(({ body }) => assessmentOf(body, brief, context)))}</Answer>;
}

/** Budget and what differs from the usual in one line; all terms behind it. */
function Terms({ brief, edit }: { brief: Brief; edit: Edit }) {
  const region = useSeat((state) => state.context.catalogue.region(brief.region));
  const currency = region?.currency ?? 'USD';
  const must = brief.mustHaves;
  const [open, setOpen] = useRemembered('all terms', false);
  const unusual = unusualTerms(brief, currency);
  const set = (patch: Partial<Brief['mustHaves']>) =>
    edit(
      {
        kind: 'set-must-haves',
        mustHaves: Object.fromEntries(Object.entries({ ...must, ...patch }).filter(([, value]) => value !== undefined)),
      },
      'Must-haves',
    );
  const flag = (label: string, key: 'errorCorrection' | 'wireless' | 'drivesReachable', yes: string, no: string) => (
    <Value
      label={label}
      editor={{
        kind: 'choice',
        value: String(must[key] ?? false),
        options: [
          { value: 'true', label: yes },
          { value: 'false', label: no },
        ],
        onChange: (value) => set({ [key]: value === 'true' }),
      }}
    >
      {must[key] ? yes : no}
    </Value>
  );
  return (
    <div>
      <BriefAnswer />
      <p className="sentence">
        A budget of{' '}
        <Value
          label="Budget"
          editor={{
            kind: 'number',
            value: brief.budgetMinor === undefined ? undefined : shownCoins(brief.budgetMinor, currency),
            unit: currency,
            min: 1,
            optional: true,
            onChange: (value) =>
              edit(
                value === undefined
                  ? { kind: 'set-budget' }
                  : { kind: 'set-budget', budgetMinor: minorOfShown(value, currency) },
                'Budget',
              ),
          }}
        >
          {brief.budgetMinor === undefined ? 'no limit' : coins(brief.budgetMinor, currency)}
        </Value>
        ,{' '}
        <Value
          label="Tax basis"
          editor={{
            kind: 'choice',
            value: String(brief.budgetTaxIncluded),
            options: [
              { value: 'true', label: 'tax and shipping in' },
              { value: 'false', label: 'before tax' },
            ],
            onChange: (value) =>
              edit({ kind: 'set-figures', figures: { budgetTaxIncluded: value === 'true' } }, 'Tax basis'),
          }}
        >
          {brief.budgetTaxIncluded ? 'tax and shipping in' : 'before tax'}
        </Value>
        {brief.budgetMinor !== undefined && (
          <>
            ,{' '}
            <Pick
              label="How firm the budget is"
              value={brief.budgetFirm ?? false}
              options={[
                [false, 'as a wish'],
                [true, 'firm'],
              ]}
              onChange={(budgetFirm) =>
                edit({ kind: 'set-figures', figures: { budgetFirm } }, 'How firm the budget is')
              }
            />
          </>
        )}
        , in {region?.name ?? brief.region}
        {unusual.length > 0 && ` · ${unusual.join(' · ')}`}.{' '}
        <span className="unprinted">
          <TextButton aria-expanded={open} aria-controls="more-terms" onClick={() => setOpen(!open)}>
            {open ? 'fewer terms' : 'all terms'}
          </TextButton>
        </span>
      </p>
      <Box
        component="p"
        id="more-terms"
        className="sentence"
        sx={{ display: open ? 'block' : 'none', '@media print': { display: 'block' } }}
      >
        A room of{' '}
        <Value
          label="Room temperature"
          editor={{
            kind: 'number',
            value: brief.roomC,
            unit: '°C',
            min: 0,
            max: 60,
            onChange: (value) => edit({ kind: 'set-figures', figures: { roomC: value ?? 24 } }, 'Room temperature'),
          }}
        >
          {`${brief.roomC} °C`}
        </Value>
        . Memory errors: {flag('Error-correcting memory', 'errorCorrection', 'must be corrected', 'need no correction')}
        ; network:{' '}
        <Value
          label="Network"
          editor={{
            kind: 'number',
            value: must.networkGbitPerS,
            unit: 'Gb/s',
            min: 0.1,
            optional: true,
            onChange: (networkGbitPerS) => set({ networkGbitPerS }),
          }}
        >
          {must.networkGbitPerS === undefined ? 'any' : `${must.networkGbitPerS} Gb/s or more`}
        </Value>
        ; wireless: {flag('Wireless', 'wireless', 'needed', 'not needed')}; noise:{' '}
        <Value
          label="Noise limit"
          editor={{
            kind: 'number',
            value: must.noiseDbA,
            unit: 'dB(A) at 1 m',
            min: 15,
            max: 80,
            optional: true,
            onChange: (noiseDbA) => set({ noiseDbA }),
          }}
        >
          {must.noiseDbA === undefined ? 'any' : `at most ${must.noiseDbA} dB(A)`}
        </Value>
        ; drives: {flag('Drives within reach', 'drivesReachable', 'within reach, cards in place', 'anywhere')}; on at
        rest{' '}
        <Value
          label="Hours a week at rest"
          editor={{
            kind: 'number',
            value: brief.idleHoursPerWeek ?? 0,
            unit: 'h a week',
            min: 0,
            max: 168,
            onChange: (value) =>
              edit({ kind: 'set-figures', figures: { idleHoursPerWeek: value ?? 0 } }, 'Hours at rest'),
          }}
        >
          {`${brief.idleHoursPerWeek ?? 0} h a week`}
        </Value>
        . <Service brief={brief} edit={edit} />
        <Buying brief={brief} edit={edit} /> It drives <OwnedDisplays brief={brief} edit={edit} />.
        <Connections brief={brief} edit={edit} />
        <WholeDesk brief={brief} edit={edit} />
      </Box>
    </div>
  );
}

function SittingBlock({
  sitting,
  brief,
  edit,
  inFull,
}: {
  sitting: Sitting;
  brief: Brief;
  edit: Edit;
  inFull: readonly string[];
}) {
  const others = brief.tasks.filter((task) => !sitting.tasks.includes(task.id));
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const set = (patch: Partial<Sitting>, label: string) =>
    edit({ kind: 'set-sitting', sitting: { ...sitting, ...patch } }, label);
  const again = sitting.tasks.filter((id) => !inFull.includes(id));
  return (
    <Box component="section" sx={{ marginTop: '14px' }} aria-label={`Sitting ${sitting.name}`}>
      <Box
        className="row"
        sx={{ borderBottom: '1px solid var(--edge)', paddingBottom: '2px', justifyContent: 'space-between' }}
      >
        <h2>
          <Value
            label="Name of the sitting"
            editor={{ kind: 'text', value: sitting.name, onChange: (name) => set({ name }, `Sitting ${name}`) }}
          >
            {sitting.name}
          </Value>
          <Box component="span" className="quiet" sx={{ fontWeight: 400 }}>
            {' '}
            ·{' '}
            <Value
              label="Hours a week"
              editor={{
                kind: 'number',
                value: sitting.hoursPerWeek,
                unit: 'h a week',
                min: 0,
                max: 168,
                onChange: (value) => set({ hoursPerWeek: value ?? 0 }, `Hours of ${sitting.name}`),
              }}
            >
              {`${sitting.hoursPerWeek} h a week`}
            </Value>
            {sitting.tasks.length > 1 ? ', all at the same time' : ''}
          </Box>
        </h2>
        <Box component="span" className="row small" sx={{ gap: '10px' }}>
          {others.length > 0 && (
            <TextButton onClick={(event) => setAnchor(event.currentTarget)}>also runs …</TextButton>
          )}
          <TextButton
            onClick={() => edit({ kind: 'remove-sitting', sitting: sitting.id }, `Sitting ${sitting.name} out`)}
          >
            take apart
          </TextButton>
        </Box>
        {anchor && (
          <Menu open anchorEl={anchor} onClose={() => setAnchor(null)}>
            {others.map((task) => (
              <MenuItem
                key={task.id}
                dense
                onClick={() => {
                  set({ tasks: [...sitting.tasks, task.id] }, `${task.name} in ${sitting.name}`);
                  setAnchor(null);
                }}
              >
                {task.name}
              </MenuItem>
            ))}
          </Menu>
        )}
      </Box>
      {inFull.map((id) => {
        const task = brief.tasks.find((candidate) => candidate.id === id);
        return task && <TaskBlock key={id} task={task} edit={edit} />;
      })}
      {again.length > 0 && (
        <Box component="p" className="small quiet" sx={{ paddingTop: '4px' }}>
          with{' '}
          {again.map((id, i) => (
            <span key={id}>
              {i > 0 ? ', ' : ''}
              {brief.tasks.find((task) => task.id === id)?.name ?? id}
              {sitting.tasks.length > 1 && (
                <span className="unprinted">
                  {' ('}
                  <TextButton
                    onClick={() =>
                      set({ tasks: sitting.tasks.filter((other) => other !== id) }, `${id} out of ${sitting.name}`)
                    }
                  >
                    not here
                  </TextButton>
                  )
                </span>
              )}
            </span>
          ))}
        </Box>
      )}
    </Box>
  );
}

const IMPORTANCE = ['', 'nice to have', 'useful', 'wanted', 'important', 'decisive'] as const;

function TaskBlock({ task, edit }: { task: Task; edit: Edit }) {
  const assessment = useDraftAssessment();
  const applications = useSeat((state) => state.context.catalogue.applications);
  const result = assessment.tasks.find((candidate) => candidate.task === task.id);
  const beam = result && taskBeam(task, result);
  const [refused, setRefused] = useState<string>();
  const set = (next: Task) => {
    const checked = taskSchema.safeParse(next);
    // what cannot hold together is not taken; the last good figures stay
    if (!checked.success)
      return setRefused(
        problemsOf(checked.error)
          .map((problem) => problem.message)
          .join('; '),
      );
    setRefused(undefined);
    edit({ kind: 'set-task', task: next }, next.name);
  };
  return (
    <Box
      component="article"
      sx={{ padding: '6px 0 8px', borderBottom: '1px solid var(--hair)' }}
      aria-label={task.name}
    >
      <Box className="row" sx={{ justifyContent: 'space-between', gap: '16px' }}>
        <h3 className="grow">
          <Value
            label="Name of the task"
            editor={{ kind: 'text', value: task.name, onChange: (name) => set({ ...task, name }) }}
          >
            {task.name}
          </Value>{' '}
          <Box component="span" className="quiet" sx={{ fontWeight: 400 }}>
            ·{' '}
            <Value
              label="Importance"
              editor={{
                kind: 'choice',
                value: String(task.importance),
                options: [5, 4, 3, 2, 1].map((value) => ({ value: String(value), label: IMPORTANCE[value] ?? '' })),
                onChange: (value) => set({ ...task, importance: Number(value) }),
              }}
            >
              {IMPORTANCE[task.importance] ?? ''}
            </Value>
          </Box>
        </h3>
        {beam && (
          <Box component="span" className="unprinted" sx={{ width: 150, flex: 'none' }}>
            <Beam axis={beam.axis} band={beam.band} verdict={beam.verdict} sentence={beam.sentence} compact />
          </Box>
        )}
        {beam && (
          <Box
            component="span"
            className={`unprinted small num cut ${beam.verdict}`}
            sx={{ width: 118, flex: 'none' }}
            title={beam.gets}
          >
            {result.verdict === 'unproven' ? 'unproven' : beam.gets}
          </Box>
        )}
        <TextButton
          onClick={() => edit({ kind: 'remove-task', task: task.id }, `${task.name} out of the brief`)}
          aria-label={`Leave ${task.name} out of the brief`}
        >
          leave out
        </TextButton>
      </Box>
      <TaskSentence task={task} applications={applications} onChange={set} />
      <HowOften task={task} isRun={result?.mode === 'elastic'} onChange={set} />
      {refused !== undefined && (
        <p className="small short" role="alert">
          Not taken: the task {refused}.
        </p>
      )}
    </Box>
  );
}

const FOREGROUND = {
  label: 'In the foreground',
  explains: 'Keeps two cores and some graphics free of the runs beside it, so that the pointer answers at once.',
};

const WAITS = {
  label: 'Who waits',
  explains: 'Only a run that somebody waits for costs time, or one that no longer fits its sitting.',
};

const KEPT = {
  label: 'Runs kept',
  explains: 'What they read and write stays on the active drive and is counted in the sizes.',
};

/** How often it is done, and whether the machine must stay usable beside what else runs. */
function HowOften({
  task,
  isRun,
  onChange,
}: {
  task: Task;
  /** It ends, so that somebody can wait for it; real-time work goes on. */
  isRun: boolean;
  onChange: (task: Task) => void;
}) {
  const { runsPerWeek: runs, ...without } = task;
  return (
    <p className="small quiet">
      <Num
        label="Runs a week"
        value={runs}
        min={0}
        max={10_000}
        optional
        onChange={(value) => onChange(value === undefined ? without : { ...task, runsPerWeek: value })}
      >
        {runs === undefined ? 'As often as it comes' : `${runs} ${runs === 1 ? 'run' : 'runs'} a week`}
      </Num>
      ;{' '}
      <Pick
        label="In the foreground"
        value={task.foreground ?? false}
        options={[
          [true, 'the machine stays usable'],
          [false, 'it takes all it can get'],
        ]}
        figure={FOREGROUND}
        onChange={(foreground) => onChange({ ...task, foreground })}
      />
      {isRun && (
        <>
          ;{' '}
          <Pick
            label="Who waits"
            value={waitingOfTask(task)}
            options={[
              ['attended', 'somebody waits for it'],
              ['background', 'it runs beside other work'],
              ['unattended', 'it is left to itself'],
            ]}
            figure={WAITS}
            onChange={(waiting) => onChange({ ...task, waiting })}
          />
        </>
      )}
      {leavesFiles(task.kind) && (
        <>
          ; files of{' '}
          <Num
            label="Runs kept"
            value={keptRunsOf(task)}
            min={0}
            max={100_000}
            figure={KEPT}
            onChange={(keptRuns) => onChange({ ...task, keptRuns })}
          >
            {number(keptRunsOf(task))} {keptRunsOf(task) === 1 ? 'run stays' : 'runs stay'}
          </Num>{' '}
          on the active drive
        </>
      )}
      .
    </p>
  );
}

function AddTask({ brief, edit }: { brief: Brief; edit: Edit }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <Box className="row unprinted" sx={{ marginTop: '14px' }}>
      <Button variant="outlined" onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="menu">
        Add a task
      </Button>
      {brief.tasks.length > 0 && (
        <Button
          onClick={() => {
            const id = freshSittingId(brief);
            edit(
              {
                kind: 'set-sitting',
                sitting: {
                  id,
                  name: `Sitting ${id.slice('sitting-'.length)}`,
                  hoursPerWeek: 4,
                  tasks: [brief.tasks[0]?.id ?? ''],
                },
              },
              'New sitting',
            );
          }}
        >
          Add a sitting
        </Button>
      )}
      {brief.tasks.length > 0 && <Button onClick={() => window.print()}>Print the brief</Button>}
      {anchor && (
        <Menu open anchorEl={anchor} onClose={() => setAnchor(null)}>
          {TEMPLATES.map((template) => (
            <MenuItem
              key={template.kind}
              dense
              onClick={() => {
                setAnchor(null);
                edit(
                  { kind: 'add-task', task: startingTask(template.kind, freshTaskId(brief, template.kind)) },
                  template.name,
                );
              }}
            >
              <span>
                <b>{template.name}</b>
                <br />
                <span className="quiet small">{template.explains}</span>
              </span>
            </MenuItem>
          ))}
        </Menu>
      )}
    </Box>
  );
}
