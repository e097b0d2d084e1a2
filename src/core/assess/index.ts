import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import type { Assessment } from './assessment';
import type { Finding } from '../rules/rule';
import { compiled } from './compiled';
import type { Context } from './context';
import { afresh, keeper } from './keep';
import { freshViews, keptViews } from './view';

export type { Assessment } from './assessment';
export { contextOf, quickly, type Context } from './context';

/**
 * Everything about a machine as built first; `assess(inPhase(machine, 'later'), …)` says the same of its later phase.
 * Nothing is remembered but placements.
 * @throws RangeError when the brief names a region that the catalogue lacks
 */
export const assess = (machine: Machine, brief: Brief, context: Context): Assessment =>
  compiled(brief, context, afresh, freshViews).assess(machine);

/** A brief in its surroundings, asked about one machine after the other. */
export interface Subject {
  /**
   * As `assess`, at the cost of what has changed since the machines that were asked for last. One that is asked for
   * again gives the same object.
   */
  readonly assess: (machine: Machine) => Assessment;
  /**
   * Findings of the rules that read nothing but parts (sockets, forms, counts): all of them stand in the assessment too,
   * but no task is predicted for them, so most of a thousand what-ifs can be turned down by them.
   */
  readonly screen: (machine: Machine) => readonly Finding[];
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
  const { keep, runs } = keeper();
  const { assess: anew, screen } = compiled(brief, context, keep, keptViews());
  return { assess: (machine) => keep('assessment', [machine], anew), screen, runs };
}
