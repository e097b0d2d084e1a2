import { quickly, subjectOf, type Assessment, type Context } from '../../assess';
import type { Machine } from '../../model/machine';
import { addEfforts, foundWithin, NO_EFFORT, type Effort } from './ended';
import { climb } from './goals';
import { judge, type FoundMachine } from './judge';
import { nearMachine, staying, type NearMachine } from './near';
import type { Question } from './question';
import { MET } from '../../units/band';
import { compareRanks, madeIn, progressAt } from './rank';
import { ROOM } from './room';
import { cheapest } from './search';
import type { Ready, Searchable } from './searchable';
import { MOST_TOGETHER, worthwhile } from './stepWorth';

/** What it takes to bring a task to its target. */
export interface ToTarget {
  readonly task: string;
  /** The cheapest way near the draft; undefined where none is near. */
  readonly step: NearMachine | undefined;
}

/** What is near a draft, exactly: no machine within the changes is better. */
export interface Steps {
  /** The draft itself; undefined when something of it is refused, so that there is nothing to start from. */
  readonly start: FoundMachine | undefined;
  /**
   * Machines that rank better, the cheapest first: of one, two and three changes each is the least money for a twentieth
   * more than the one before, with no less room. What fewer changes do at the same price is not done with more.
   */
  readonly up: readonly NearMachine[];
  readonly targets: readonly ToTarget[];
  /** Cheaper machines on which every task that met its target still does, and what falls short no less: what one, two, three changes save. */
  readonly savings: readonly NearMachine[];
  /** Up to this price steps were looked for; landed. */
  readonly mostMinor: number;
  readonly effort: Effort;
  /** How far it is: changes that all has been asked about. */
  readonly within: number;
}

/** What a machine does is kept: targets that it meets, and of what falls short no less than it makes. */
export function keepingWork({ tasks, facts }: Assessment, at: Question['at']): Map<string, number> {
  const all = madeIn(facts.sittings, at);
  return new Map(
    tasks.flatMap(({ task, target }): [string, number][] => {
      const made = all.get(task) ?? 0;
      // a hair less than it makes, so that the same machine still does
      return made > 0 ? [[task, target === undefined ? Number.MIN_VALUE : Math.min(MET, made * MET)]] : [];
    }),
  );
}

/** A draft as steps start from it: what is asked of all near it, and how it stands itself. */
interface Start {
  readonly asked: Question;
  readonly found: FoundMachine;
  readonly assessment: Assessment;
}

/** What it does is kept, and so is what is owned or bought; undefined when something of it is refused. */
function startFrom(question: Question, draft: Machine, context: Context): Start | undefined {
  const assessment = subjectOf(question.brief, quickly(context)).assess(draft);
  const least = { ...question.least, tasks: keepingWork(assessment, question.at) };
  // where figures of it are unknown that may stay so
  for (const unproven of ['refused', 'allowed'] as const) {
    const asked: Question = {
      ...question,
      unproven,
      least,
      from: draft,
      keep: staying(question, draft),
      mostMinor: undefined,
    };
    const judged = judge(assessment, asked);
    if (judged.kind === 'found') return { asked, found: judged.found, assessment };
  }
  return undefined;
}

/**
 * Steps up and savings around a draft, of one, two and three parts at once. Of each number of changes the frontier from
 * the draft on is looked for, up to a price, the cheapest machine that still does all that the draft does, and for each
 * task that falls short the cheapest that brings it to its target. They are exact among all machines so near.
 */
export function* stepsFrom(
  question: Question,
  draft: Machine,
  context: Context,
  ready: Ready,
  mostMinor: number,
): Generator<Steps, Steps> {
  let now: Steps = {
    start: undefined,
    up: [],
    targets: [],
    savings: [],
    mostMinor,
    effort: NO_EFFORT,
    within: 0,
  };
  const from = startFrom(question, draft, context);
  if (!from) return now;
  const { asked, assessment, found: start } = from;
  now = { ...now, start };
  const parts = assessment.facts.parts.all.map(({ part }) => part);
  const room = Object.fromEntries(ROOM.map(({ figure, of }) => [figure, of(parts)]));
  const short = assessment.tasks
    .filter((result) => result.target !== undefined && progressAt(result, question.at) < MET)
    .map(({ task }) => task);

  function* cheapestOf(near: Searchable, limit?: number): Generator<Steps, NearMachine | undefined> {
    const found = yield* foundWithin(
      cheapest(near, limit === undefined ? {} : { mostMinor: limit }),
      () => now,
      (next) => (now = next),
    );
    return found && nearMachine(near.space, draft, found, context);
  }

  for (let changes = 1; changes <= MOST_TOGETHER; changes++) {
    const near = ready({ ...asked, changes });
    // what gives up room is no step up, however fast it is
    const roomy: Question = { ...asked, changes, least: { ...asked.least, ...room } };
    const saving = yield* cheapestOf(
      near,
      Math.min(start.priceMinor, now.savings.at(-1)?.found.priceMinor ?? Infinity) - 1,
    );
    if (saving) now = { ...now, savings: [...now.savings, saving] };
    for (const task of short) {
      const known = now.targets.find((target) => target.task === task)?.step;
      const toTarget = ready({
        ...roomy,
        least: { ...roomy.least, tasks: new Map([...roomy.least.tasks, [task, MET]]) },
      });
      const step: NearMachine | undefined = yield* cheapestOf(toTarget, known && known.found.priceMinor - 1);
      const target = { task, step: step ?? known };
      now = { ...now, targets: [...now.targets.filter((other) => other.task !== task), target] };
    }
    const before = now;
    const climbing = climb(ready(roomy), { mostMinor }, worthwhile, start.rank);
    let points: readonly NearMachine[] = [];
    for (let next = climbing.next(); ; next = climbing.next()) {
      const { effort } = next.value;
      const found = next.done ? next.value.found : next.value.proven;
      if (found.length > points.length) {
        points = found.map((machine) => nearMachine(near.space, draft, machine, context));
        now = { ...now, up: unbeaten([...before.up, ...points]) };
      }
      now = { ...now, effort: addEfforts(before.effort, effort) };
      if (next.done) break;
      yield now;
    }
    now = { ...now, within: changes };
  }
  return now;
}

/** Steps that no other beats in price and rank with as few changes, the cheapest first. */
function unbeaten(steps: readonly NearMachine[]): NearMachine[] {
  const beats = (a: NearMachine, b: NearMachine): boolean =>
    a.found.priceMinor <= b.found.priceMinor &&
    compareRanks(a.found.rank, b.found.rank) <= 0 &&
    a.changed.length <= b.changed.length;
  return steps
    .filter((step, i) => !steps.some((other, j) => i !== j && beats(other, step) && (!beats(step, other) || j < i)))
    .sort((a, b) => a.found.priceMinor - b.found.priceMinor || a.changed.length - b.changed.length);
}
