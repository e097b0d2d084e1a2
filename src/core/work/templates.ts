import { audio } from './audio';
import { build, guestMachines } from './build';
import { cadStep, cadView, solve } from './cad';
import { motion, stills } from './motion';
import { render, survey } from './render';
import { custom, desk } from './desk';
import { editExport, editPlay } from './edit';
import { ingest } from './ingest';
import { live } from './live';
import { scene } from './scene';
import { serve, tables } from './serve';
import type { Task, TaskKind } from '../model/tasks';
import type { Trade } from './trade';
import { train, trainImages } from './train';

/** All trades by kind of task. */
export const TRADES: { readonly [K in TaskKind]: Trade<K> } = {
  'edit-play': editPlay,
  'edit-export': editExport,
  live,
  scene,
  ingest,
  audio,
  'cad-view': cadView,
  'cad-step': cadStep,
  solve,
  render,
  survey,
  motion,
  stills,
  build,
  guests: guestMachines,
  train,
  'train-images': trainImages,
  serve,
  tables,
  desk,
  custom,
};

/** What a task can be added from, in the order of the menu. */
export const TEMPLATES: readonly Pick<Trade<TaskKind>, 'kind' | 'name' | 'explains'>[] = Object.values(TRADES);

/** A new task of a trade, with its starting values. */
export const startingTask = (kind: TaskKind, id: string): Task => TRADES[kind].start(id);
