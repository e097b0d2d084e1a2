import { subjectOf, type Context } from '../assess';
import type { Trials } from '../assess/trials';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import { rankIn, type Rank } from '../search/exact/rank';
import { courseTrials, fallsShortTrials, type Course, type FallsShort } from './course';
import { planOf, type Judge, type PlannedPhase } from './plan';

/** A phase of a plan as it is told: without the machine and all that is known of it. */
export type PhaseRow = Omit<PlannedPhase, 'machine' | 'assessment'> & { readonly rank: Rank };

/** A machine and its phases over the years: what each brings, what it costs, and when the work outgrows it. */
export interface Planned {
  readonly phases: readonly PhaseRow[];
  readonly course: Course;
  readonly short: readonly FallsShort[];
  readonly years: number;
}

/** The years that a brief is looked ahead: whole ones. */
export const yearsAhead = ({ yearsOfService }: Pick<Brief, 'yearsOfService'>): number =>
  Math.max(1, Math.round(yearsOfService));

/** A plan judged and counted, a step at a time; `present` is the machine that it takes the place of. */
export function* plannedTrials(
  machine: Machine,
  brief: Brief,
  context: Context,
  present?: Machine,
  years = yearsAhead(brief),
): Trials<Planned> {
  const judge: Judge = (of, then) => subjectOf(then, context).assess(of);
  const { today } = context;
  const phases = planOf(machine, brief, judge, today, present);
  yield;
  const short = yield* fallsShortTrials(phases, brief, years, judge, today);
  const course = yield* courseTrials(phases, brief, years, judge, today);
  return {
    phases: phases.map(({ machine: _machine, assessment, ...row }) => ({
      ...row,
      rank: rankIn(assessment, 'likely'),
    })),
    course,
    short,
    years,
  };
}
