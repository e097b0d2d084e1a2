'use client';

import type { ApplicationProfile } from '@/core/work/applications';
import type { Task } from '@/core/work/tasks';
import { Value } from '../shared/Value';
import { CustomSentence, DeskSentence } from './deskSentences';
import { ExportSentence, PlaySentence } from './pictureSentences';

/** A task without the fields that were taken away: an absent target is unknown, not undefined. */
function cleaned(task: Task): Task {
  return Object.fromEntries(Object.entries(task).filter(([, value]) => value !== undefined)) as unknown as Task;
}

/** A task as a sentence whose underlined values open small editors. */
export function TaskSentence({
  task,
  applications,
  onChange,
}: {
  task: Task;
  applications: readonly ApplicationProfile[];
  onChange: (task: Task) => void;
}) {
  const change = (patch: object) => onChange(cleaned({ ...task, ...patch } as Task));
  const inApplication = task.kind === 'edit-play' || task.kind === 'edit-export';
  return (
    <p className="sentence">
      {inApplication && (
        <>
          In{' '}
          <Value
            label="Application"
            editor={{
              kind: 'choice',
              value: task.application ?? '',
              options: [
                { value: '', label: 'any application' },
                ...applications.map((profile) => ({ value: profile.id, label: profile.name })),
              ],
              onChange: (value) => change({ application: value === '' ? undefined : value }),
            }}
          >
            {applications.find((profile) => profile.id === task.application)?.name ?? 'any application'}
          </Value>
          :{' '}
        </>
      )}
      {task.kind === 'edit-play' && <PlaySentence task={task} change={change} />}
      {task.kind === 'edit-export' && <ExportSentence task={task} change={change} />}
      {task.kind === 'desk' && <DeskSentence task={task} change={change} />}
      {task.kind === 'custom' && <CustomSentence task={task} change={change} />}
    </p>
  );
}
