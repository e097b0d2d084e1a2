'use client';

import type { ApplicationProfile, ApplicationTrade } from '@/core/model/applications';
import type { ComponentType, ReactNode } from 'react';
import type { Task, TaskKind } from '@/core/model/tasks';
import type { SentenceProps } from './figures';
import { later, opening } from '../shared/later';
import { Value } from '../shared/Value';
import { CustomSentence, DeskSentence } from './deskSentences';
import { LiveSentence } from './liveSentence';
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

type Learning = typeof import('./learnSentences');
type Making = typeof import('./makeSentences');

/** The trades beside pictures and live work are fetched when a brief has one, or when the page rests. */
const learning = <K extends TaskKind>(of: (module: Learning) => (props: SentenceProps<K>) => ReactNode) =>
  later(() => import('./learnSentences').then(of), { meanwhile: opening, soon: true });
const making = <K extends TaskKind>(of: (module: Making) => (props: SentenceProps<K>) => ReactNode) =>
  later(() => import('./makeSentences').then(of), { meanwhile: opening, soon: true });

/** How each kind of work is put. */
const SENTENCES: { readonly [K in TaskKind]: (props: SentenceProps<K>) => ReactNode } = {
  'edit-play': PlaySentence,
  'edit-export': ExportSentence,
  live: LiveSentence,
  scene: SceneSentence,
  ingest: IngestSentence,
  audio: AudioSentence,
  'cad-view': making<'cad-view'>((module) => module.CadViewSentence),
  'cad-step': making<'cad-step'>((module) => module.CadStepSentence),
  solve: making<'solve'>((module) => module.SolveSentence),
  render: making<'render'>((module) => module.RenderSentence),
  survey: making<'survey'>((module) => module.SurveySentence),
  motion: making<'motion'>((module) => module.MotionSentence),
  stills: making<'stills'>((module) => module.StillsSentence),
  build: making<'build'>((module) => module.BuildSentence),
  guests: making<'guests'>((module) => module.GuestsSentence),
  train: learning<'train'>((module) => module.TrainSentence),
  'train-images': learning<'train-images'>((module) => module.TrainImagesSentence),
  serve: learning<'serve'>((module) => module.ServeSentence),
  tables: learning<'tables'>((module) => module.TablesSentence),
  desk: DeskSentence,
  custom: CustomSentence,
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
  // the table pairs each kind with its own sentence; a union of components cannot say so
  const Sentence = SENTENCES[task.kind] as ComponentType<SentenceProps<TaskKind>>;
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
      <Sentence task={task} change={change} />
    </p>
  );
}
