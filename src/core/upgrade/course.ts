import type { Brief } from '../model/brief';
import { FIRST } from '../model/machine';
import { yearlyEnergy } from '../power/energy';
import { monthsAfter, yearsBetween } from '../units/days';
import { plainNumber, timesFigure } from '../units/money';
import { waitingOf } from '../versus/ownership';
import { does } from './does';
import { finish, type Trials } from '../assess/trials';
import { briefIn, timesAfter } from './growth';
import { boughtOn, type Judge, type PlannedPhase } from './plan';
import { resaleOf } from './resale';

/** What a plan's costs are made of; above 0 is paid. */
export const COURSE_LINES = ['purchase', 'resale', 'energy', 'waiting', 'held'] as const;
export type CourseLine = (typeof COURSE_LINES)[number];

/** Why the cost of a plan is not known in full. */
export type CourseOpen =
  | { readonly code: 'undated'; readonly names: readonly string[] }
  | { readonly code: 'price-unknown'; readonly names: readonly string[] }
  | { readonly code: 'resale-unknown'; readonly count: number }
  | { readonly code: 'no-tariff' | 'draw-unknown' | 'no-hour-value' }
  | { readonly code: 'not-predicted'; readonly tasks: readonly string[] };

/** What a plan costs, month by month, in minor units of today's worth. */
export interface Course {
  /** The day on which each month ends. */
  readonly days: readonly string[];
  /** What it would have cost if it ended then: all that was paid, less what the machine of then brings. */
  readonly costMinor: readonly number[];
  /** All lines up to the end; `held` is what the last machine brings, and received. */
  readonly byLine: Readonly<Record<CourseLine, number>>;
  readonly totalMinor: number;
  /** Hours that somebody waits up to the end. */
  readonly waitingHours: number;
  readonly open: readonly CourseOpen[];
}

const MONTHS = 12;

/**
 * The cash flow of a plan over so many years: each phase's purchases less what leaves on its day, and at the end of each
 * month a twelfth of a year's energy and waiting of the machine that stands then, the work as it has grown in whole years; at
 * last the machine itself is sold. An amount a in t years weighs a ÷ (1 + r)^t and is rounded once. What the software and
 * repairs cost is alike on all plans of a seat and not in it. Source: definitions; the settings say the rates.
 */
export const courseOf = (...args: Parameters<typeof courseTrials>): Course => finish(courseTrials(...args));

/** The same, a month at a time. */
export function* courseTrials(
  phases: readonly PlannedPhase[],
  brief: Brief,
  years: number,
  judge: Judge,
  today: string,
): Trials<Course> {
  const [first] = phases;
  const settings = first?.assessment.facts.settings;
  const rate = (settings?.discountPercent ?? 0) / 100;
  const worth = (minor: number, on: string): number => timesFigure(minor, 1 / (1 + rate) ** yearsBetween(today, on));
  const dated = phases.filter(({ on }) => on !== undefined);
  const dayOf = (id: string): string | undefined => phases.find((phase) => phase.id === id)?.on;
  const byLine: Record<CourseLine, number> = { purchase: 0, resale: 0, energy: 0, waiting: 0, held: 0 };
  const unpredicted = new Set<string>();
  let drawOpen = false;
  let unknownWorth = 0;
  const days: string[] = [];
  const costMinor: number[] = [];
  let waitingHours = 0;
  let spent = 0;
  const pay = (line: CourseLine, minor: number): void => {
    byLine[line] += minor;
    spent += minor;
  };
  for (let month = 1; month <= years * MONTHS; month++) {
    const [from, until] = [monthsAfter(today, month - 1), monthsAfter(today, month)];
    for (const phase of dated) {
      const on = dayIn(phase, today);
      if (on < from || on >= until) continue;
      pay('purchase', worth(phase.purchaseMinor, on));
      pay('resale', -worth(Math.round(phase.resale.net.likely + phase.resale.givenMinor), on));
    }
    const standing = dated.findLast((phase) => dayIn(phase, today) <= from) ?? first;
    if (!standing || !settings) continue;
    const then = judge(standing.machine, briefIn(brief, Math.floor((month - 1) / MONTHS)));
    const { power, parts } = then.facts;
    const energy = yearlyEnergy(
      power,
      brief,
      parts.one('supply')?.part,
      settings.tariffMinorPerKWh,
      then.region.mainsV,
    );
    pay('energy', worth(plainNumber(energy?.costMinor ?? 0) / MONTHS, until));
    drawOpen ||= energy === undefined || energy.lowerBound;
    const waits = waitingOf(then);
    for (const task of waits.unknown) unpredicted.add(task);
    const waited = waits.hours / MONTHS;
    waitingHours += waited;
    pay('waiting', worth(plainNumber(brief.hourMinor ?? 0) * waited, until));
    // what was bought in the month is there at its end
    const ends = dated.findLast((phase) => dayIn(phase, today) < until) ?? standing;
    const all = new Set(ends.machine.items.map(({ id }) => id));
    const held = resaleOf(ends.assessment, all, { on: until, boughtOn: (item) => boughtOn(item, dayOf, today) });
    unknownWorth = held.unknown.length;
    byLine.held = -worth(Math.round(held.net.likely), until);
    days.push(until);
    costMinor.push(spent + byLine.held);
    yield;
  }
  return {
    days,
    costMinor,
    byLine,
    totalMinor: COURSE_LINES.reduce((sum, line) => sum + byLine[line], 0),
    waitingHours,
    open: openOf(phases, brief, { unpredicted: [...unpredicted], drawOpen, unknownWorth }),
  };
}

const dayIn = ({ on, id }: PlannedPhase, today: string): string =>
  id === FIRST || on === undefined || on < today ? today : on;

/** What of a plan nobody knows. */
function openOf(
  phases: readonly PlannedPhase[],
  brief: Brief,
  seen: { readonly unpredicted: readonly string[]; readonly drawOpen: boolean; readonly unknownWorth: number },
): CourseOpen[] {
  const open: CourseOpen[] = [];
  const named = (list: readonly PlannedPhase[]): string[] => list.map(({ name }) => name ?? FIRST);
  const undated = phases.filter(({ on }) => on === undefined);
  if (undated.length > 0) open.push({ code: 'undated', names: named(undated) });
  const unpriced = phases.filter(({ purchaseOpen }) => purchaseOpen);
  if (unpriced.length > 0) open.push({ code: 'price-unknown', names: named(unpriced) });
  const count = phases.reduce((sum, { resale }) => sum + resale.unknown.length, seen.unknownWorth);
  if (count > 0) open.push({ code: 'resale-unknown', count });
  const [first] = phases;
  if (first?.assessment.facts.settings.tariffMinorPerKWh === undefined) open.push({ code: 'no-tariff' });
  else if (seen.drawOpen) open.push({ code: 'draw-unknown' });
  if (brief.hourMinor === undefined) open.push({ code: 'no-hour-value' });
  if (seen.unpredicted.length > 0) open.push({ code: 'not-predicted', tasks: seen.unpredicted });
  return open;
}

/** Where one of two plans becomes the cheaper one. */
export interface Overtaking {
  /** The day from which on the second is cheaper if it ends then; `first` where the first is from then on. */
  readonly on: string;
  readonly cheaper: 'first' | 'second';
}

/**
 * What keeps two plans from being compared in money, as what only one of them knows would win for the other: all that is
 * open but what is left out on both (energy without a tariff, waiting that no hour value turns into money).
 */
export const opensComparison = (...courses: readonly Course[]): CourseOpen[] =>
  courses.flatMap(({ open }) => {
    const hours = open.some(({ code }) => code === 'no-hour-value');
    return open.filter(
      ({ code }) => code !== 'no-tariff' && code !== 'no-hour-value' && !(code === 'not-predicted' && hours),
    );
  });

/** Plans whose costs lie no further apart than this share cost the same. */
const SAME = 0.005;

/**
 * The days on which one plan overtakes the other, by what each would have cost if it ended then. What is within half a
 * percent is alike and changes nothing.
 */
export function overtakings(first: Course, second: Course): Overtaking[] {
  const found: Overtaking[] = [];
  let ahead: 'first' | 'second' | undefined;
  first.days.forEach((on, i) => {
    const [a, b] = [first.costMinor[i] ?? 0, second.costMinor[i] ?? 0];
    const alike = Math.max(Math.abs(a), Math.abs(b)) * SAME;
    const cheaper = b - a > alike ? 'first' : a - b > alike ? 'second' : ahead;
    if (cheaper === undefined) return;
    if (cheaper !== ahead) found.push({ on, cheaper });
    ahead = cheaper;
  });
  return found;
}

/** A time in which a task does not do what is asked. */
export interface FallsShort {
  readonly task: string;
  readonly from: string;
  /** The day from which it does again; undefined to the end. */
  readonly until: string | undefined;
  /** What binds then. */
  readonly binds: string | undefined;
  /** How many times as much there is to do by then. */
  readonly times: number;
  /** The phase that stands then. */
  readonly phase: string;
}

const QUARTERS = 4;

/** When which task falls short, looked at each quarter and on each phase's day, as the work grows. */
export const fallsShort = (...args: Parameters<typeof fallsShortTrials>): FallsShort[] =>
  finish(fallsShortTrials(...args));

/** The same, a day at a time. */
export function* fallsShortTrials(
  phases: readonly PlannedPhase[],
  brief: Brief,
  years: number,
  judge: Judge,
  today: string,
): Trials<FallsShort[]> {
  const quarters = Array.from({ length: years * QUARTERS + 1 }, (_, i) => monthsAfter(today, (i * MONTHS) / QUARTERS));
  const end = quarters.at(-1) ?? today;
  const days = [
    ...new Set([...quarters, ...phases.flatMap(({ on }) => (on !== undefined && on > today && on < end ? [on] : []))]),
  ].sort();
  const running = new Map<string, number>();
  const found: FallsShort[] = [];
  for (const day of days) {
    const standing = phases.findLast((phase) => phase.on !== undefined && dayIn(phase, today) <= day) ?? phases[0];
    if (!standing) break;
    yield;
    const time = yearsBetween(today, day);
    for (const result of judge(standing.machine, briefIn(brief, time)).tasks) {
      const at = running.get(result.task);
      const answer = does(result);
      const open = at === undefined ? undefined : found[at];
      if (answer === false && !open) {
        running.set(result.task, found.length);
        found.push({
          task: result.task,
          from: day,
          until: undefined,
          binds: result.binds,
          times: timesAfter(brief, time),
          phase: standing.id,
        });
        // what nobody can tell does not do it again
      } else if (answer === true && open && at !== undefined) {
        found[at] = { ...open, until: day };
        running.delete(result.task);
      }
    }
  }
  return found;
}
