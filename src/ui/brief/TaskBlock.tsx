'use client';

import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import { memo, useState } from 'react';
import { problemsOf } from '@/core/formats/problems';
import { taskSchema, type Task } from '@/core/model/tasks';
import { useDraftAssessment } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { bareBeam, Beam } from '../shared/Beam';
import { taskBeam } from '@/core/words/beams';
import { useMovable } from '../shared/sortable';
import { Pick } from '../shared/phrases';
import { Value } from '../shared/Value';
import { TaskSentence } from './sentences';
import type { EditBrief } from './editing';
import { HowOften } from './HowOften';
import { Hint } from '../shared/Hint';
import { TargetNote } from '../find/DemandNote';

const IMPORTANCE = ['', 'nice to have', 'useful', 'wanted', 'important', 'decisive'] as const;

interface TaskBlockProps {
  readonly task: Task;
  readonly edit: EditBrief;
}

/** One task: whether it is met, and its sentence; that of another task is not in its way. */
export const TaskBlock = memo(function TaskBlock({ task, edit }: TaskBlockProps) {
  const assessment = useDraftAssessment();
  const applications = useSeat((state) => state.context.catalogue.applications);
  const result = assessment.tasks.find((candidate) => candidate.task === task.id);
  const { ref, style, handle } = useMovable(task.id, task.name);
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
      ref={ref}
      style={style}
      sx={{ padding: '6px 0 8px', borderBottom: '1px solid var(--hair)' }}
      aria-label={task.name}
    >
      <Box className="row" sx={{ justifyContent: 'space-between', gap: '12px' }}>
        <Box component="span" className="row grow" sx={{ gap: '2px', ml: '-6px', minWidth: 0 }}>
          {handle}
          <h3>
            <Value
              label="Name of the task"
              editor={{ kind: 'text', value: task.name, onChange: (name) => set({ ...task, name }) }}
            >
              {task.name}
            </Value>{' '}
            <Box component="span" className="quiet" sx={{ fontWeight: 400 }}>
              ·{' '}
              <Pick
                label="Importance"
                value={task.importance}
                options={[5, 4, 3, 2, 1].map((value) => [value, IMPORTANCE[value] ?? ''] as const)}
                onChange={(importance) => set({ ...task, importance })}
              />
            </Box>
          </h3>
        </Box>
        {beam && (
          <Box component="span" className="unprinted" sx={{ width: 150, flex: 'none' }}>
            <Beam {...bareBeam(beam)} />
          </Box>
        )}
        {beam && (
          <Hint says={beam.gets}>
            <Box
              component="span"
              className={`unprinted small num cut ${beam.verdict}`}
              sx={{ width: 118, flex: 'none' }}
            >
              {result.verdict === 'unproven' ? 'unproven' : beam.gets}
            </Box>
          </Hint>
        )}
        <TextButton
          onClick={() => edit({ kind: 'remove-task', task: task.id }, `${task.name} out of the brief`)}
          aria-label={`Leave ${task.name} out of the brief`}
        >
          leave out
        </TextButton>
      </Box>
      <TaskSentence task={task} applications={applications} onChange={set} />
      <TargetNote task={task.id} />
      <HowOften task={task} isRun={result?.mode === 'elastic'} onChange={set} />
      {refused !== undefined && (
        <p className="small short" role="alert">
          Not taken: the task {refused}.
        </p>
      )}
    </Box>
  );
});
