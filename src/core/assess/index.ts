import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import type { Assessment } from './assessment';
import { answeredAfresh, answeredOnce } from './answers';
import { compiled, type Compiled, type Remembering } from './compiled';
import type { Context } from './context';
import { keeper } from './keep';
import { keptViews, viewOf } from './view';

export type { Assessment } from './assessment';
export { contextOf, quickly, type Context } from './context';

/**
 * Everything about a machine as built first; `assess(inPhase(machine, 'later'), …)` says the same of its later phase.
 * Nothing is remembered but placements.
 * @throws RangeError when the brief names a region that the catalogue lacks
 */
export const assess = (machine: Machine, brief: Brief, context: Context): Assessment =>
  plainly(brief, context).assess(machine);

/** Runs every stage anew: the plain way, which the other is held to. */
const afresh: Remembering = {
  keep: (_stage, args, run) => run(...args),
  views: { whole: (parts) => parts, of: viewOf },
  answers: answeredAfresh,
};

/**
 * A brief that is asked about many machines, each from scratch.
 * @throws RangeError when the brief names a region that the catalogue lacks
 */
export const plainly = (brief: Brief, context: Context): Compiled => compiled(brief, context, afresh);

/**
 * A brief in its surroundings, asked about one machine after the other: each answer is that of `assess`, at the cost of
 * what has changed since the machines that were asked for last. A machine that is asked for again gives the same object.
 */
export interface Subject extends Compiled {
  /** How often each stage has run, for tests and measurements. */
  readonly runs: ReadonlyMap<string, number>;
}

const subjects = new WeakMap<Context, WeakMap<Brief, Subject>>();

/** The subject of a brief in a context; one for each pair, gone with either. */
export function subjectOf(brief: Brief, context: Context): Subject {
  let known = subjects.get(context);
  if (!known) subjects.set(context, (known = new WeakMap()));
  let subject = known.get(brief);
  if (!subject) known.set(brief, (subject = freshSubject(brief, context)));
  return subject;
}

/** A subject of its own. */
export function freshSubject(brief: Brief, context: Context): Subject {
  const { keep, runs, ran } = keeper();
  const { assess: anew, ...parts } = compiled(brief, context, { keep, views: keptViews(), answers: answeredOnce(ran) });
  return { ...parts, assess: (machine) => keep('assessment', [machine], anew), runs };
}
