'use client';

import { useState } from 'react';
import { type Task } from '@/core/model/tasks';
import { keptRunsOf, leavesFiles } from '@/core/work/kept';
import { waitingOfTask } from '@/core/work/waiting';
import { capitalised, number } from '@/core/words/format';
import { Num, Pick } from '../shared/phrases';
import { TextButton } from '../shared/TextButton';

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

interface HowOftenProps {
  readonly task: Task;
  /** It ends, so that somebody can wait for it; real-time work goes on. */
  readonly isRun: boolean;
  readonly onChange: (task: Task) => void;
}

/** How often it is done and beside what: what differs from the usual in a line, all of it behind that. */
export function HowOften(props: HowOftenProps) {
  const [open, setOpen] = useState(false);
  const { task } = props;
  const said = [
    task.runsPerWeek !== undefined && runsText(task.runsPerWeek),
    task.foreground === true && 'the machine stays usable',
    task.waiting !== undefined && props.isRun && WAITING[task.waiting],
    keptRunsOf(task) > 0 && `files of ${keptText(task)} on the active drive`,
  ].filter((clause) => clause !== false);
  return (
    <>
      {!open && (
        <p className="small quiet unprinted">
          {said.length > 0 && `${capitalised(said.join('; '))}. `}
          <TextButton aria-label={`How often ${task.name} is done, and beside what`} onClick={() => setOpen(true)}>
            {said.length > 0 ? 'more' : 'how often'}
          </TextButton>
        </p>
      )}
      <p className={open ? 'small quiet' : 'small quiet printed'}>
        <Clauses {...props} />
      </p>
    </>
  );
}

const WAITING = {
  attended: 'somebody waits for it',
  background: 'it runs beside other work',
  unattended: 'it is left to itself',
} as const;

const runsText = (runs: number | undefined): string =>
  runs === undefined ? 'as often as it comes' : `${number(runs)} ${runs === 1 ? 'run' : 'runs'} a week`;

function keptText(task: Task): string {
  const kept = keptRunsOf(task);
  return `${number(kept)} ${kept === 1 ? 'run' : 'runs'} stay`;
}

/** All of it, each figure editable. */
function Clauses({ task, isRun, onChange }: HowOftenProps) {
  const { runsPerWeek: runs, ...without } = task;
  return (
    <>
      <Num
        label="Runs a week"
        value={runs}
        min={0}
        max={10_000}
        optional
        onChange={(value) => onChange(value === undefined ? without : { ...task, runsPerWeek: value })}
      >
        {capitalised(runsText(runs))}
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
            options={(['attended', 'background', 'unattended'] as const).map((waiting) => [waiting, WAITING[waiting]])}
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
            {keptText(task)}
          </Num>{' '}
          on the active drive
        </>
      )}
      .
    </>
  );
}
