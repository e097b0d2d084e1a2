'use client';

import type { ApplicationProfile, ApplicationTrade } from '@/core/work/applications';
import type { Task } from '@/core/work/tasks';
import { Value } from '../shared/Value';
import { CustomSentence, DeskSentence } from './deskSentences';
import { LiveSentence } from './liveSentence';
import { ServeSentence, TablesSentence, TrainImagesSentence, TrainSentence } from './learnSentences';
import {
  BuildSentence,
  CadStepSentence,
  CadViewSentence,
  GuestsSentence,
  MotionSentence,
  RenderSentence,
  SolveSentence,
  StillsSentence,
  SurveySentence,
} from './makeSentences';
import { ExportSentence, PlaySentence } from './pictureSentences';
import { AudioSentence, IngestSentence, SceneSentence } from './workSentences';

/** Whose applications a kind of task may run in. */
const APPLICATION_OF: Readonly<Partial<Record<Task['kind'], ApplicationTrade>>> = {
  'edit-play': 'edit',
  'edit-export': 'edit',
  live: 'live',
  scene: 'scene',
  ingest: 'ingest',
  audio: 'audio',
  'cad-view': 'cad',
  'cad-step': 'cad',
  solve: 'cad',
  render: 'render',
  survey: 'survey',
  motion: 'motion',
  stills: 'stills',
  build: 'build',
  guests: 'build',
  train: 'learn',
  'train-images': 'learn',
  serve: 'learn',
  tables: 'learn',
};

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
  const trade = APPLICATION_OF[task.kind];
  const fitting = applications.filter((profile) => profile.trade === trade);
  return (
    <p className="sentence">
      {trade && fitting.length > 0 && (
        <>
          In{' '}
          <Value
            label="Application"
            editor={{
              kind: 'choice',
              value: task.application ?? '',
              options: [
                { value: '', label: 'any application' },
                ...fitting.map((profile) => ({ value: profile.id, label: profile.name })),
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
      {task.kind === 'live' && <LiveSentence task={task} change={change} />}
      {task.kind === 'scene' && <SceneSentence task={task} change={change} />}
      {task.kind === 'ingest' && <IngestSentence task={task} change={change} />}
      {task.kind === 'audio' && <AudioSentence task={task} change={change} />}
      {task.kind === 'cad-view' && <CadViewSentence task={task} change={change} />}
      {task.kind === 'cad-step' && <CadStepSentence task={task} change={change} />}
      {task.kind === 'solve' && <SolveSentence task={task} change={change} />}
      {task.kind === 'render' && <RenderSentence task={task} change={change} />}
      {task.kind === 'survey' && <SurveySentence task={task} change={change} />}
      {task.kind === 'motion' && <MotionSentence task={task} change={change} />}
      {task.kind === 'stills' && <StillsSentence task={task} change={change} />}
      {task.kind === 'build' && <BuildSentence task={task} change={change} />}
      {task.kind === 'guests' && <GuestsSentence task={task} change={change} />}
      {task.kind === 'train' && <TrainSentence task={task} change={change} />}
      {task.kind === 'train-images' && <TrainImagesSentence task={task} change={change} />}
      {task.kind === 'serve' && <ServeSentence task={task} change={change} />}
      {task.kind === 'tables' && <TablesSentence task={task} change={change} />}
      {task.kind === 'desk' && <DeskSentence task={task} change={change} />}
      {task.kind === 'custom' && <CustomSentence task={task} change={change} />}
    </p>
  );
}
