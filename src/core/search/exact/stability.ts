import { subjectOf, type Context } from '../../assess';
import { telling } from '../../assess/trials';
import { constantTurns, type ConstantTurn } from '../../predict/constantTurns';
import { turnTrials, type Turn } from '../turning';
import { MET } from '../../units/band';
import { timesFigure } from '../../units/money';
import { addEfforts, foundWithin, NO_EFFORT, type Effort } from './ended';
import { judge, type FoundMachine } from './judge';
import { repriced } from './market';
import { withEditions, type Question } from './question';
import { cheapest, type Under } from './search';
import { isDecisive, readier, searchable, type Ready, type Searchable } from './searchable';

/** What takes a part's place. Money of machines is landed, in minor units of the brief's region. */
export interface PartRoom {
  readonly part: string;
  /** What it costs in the machine, all pieces. */
  readonly minor: number;
  /** The cheapest machine without it, of any edition; undefined when nothing does the work without it. */
  readonly next: FoundMachine | undefined;
}

/** How far prices may move against the choice, in whole percent. */
export interface PriceMoves {
  /** With every price of the machine so much up, and every other so much down, nothing is cheaper. */
  readonly holds: number;
  /** A percent more, and this is; undefined up to the most that is tried. `found` has its price of then. */
  readonly turns: { readonly found: FoundMachine | undefined } | undefined;
}

/** A cheaper machine that is not chosen because figures of it are missing, and the values at which it would be. */
export interface MissingCase {
  readonly found: FoundMachine;
  readonly turns: readonly Turn[];
}

/** Constants that turn, each by itself, whether a machine brings a task to its target. */
export interface ConstantCase {
  readonly task: string;
  /** `chosen` would fall short; `cheaper` would be enough, and be chosen in its place. */
  readonly of: 'chosen' | 'cheaper';
  readonly found: FoundMachine;
  readonly turns: readonly ConstantTurn[];
}

/** What would make another machine the choice; told as it becomes known. */
export interface Stability {
  /** The cheapest machine that does what is asked; undefined when there is none, or as long as it is not known. */
  readonly chosen: FoundMachine | undefined;
  readonly parts: readonly PartRoom[];
  readonly prices: PriceMoves | undefined;
  readonly missing: readonly MissingCase[];
  readonly constants: readonly ConstantCase[];
  readonly effort: Effort;
}

/** Prices are moved up to this, percent. */
export const MOST_MOVED = 30;
/** A choice that holds while prices move by so much is called stable, percent: what lists differ by from week to week. */
export const STABLE_AT = 5;
/** Cheaper machines with missing figures that are told of. */
const MOST_MISSING = 3;

/**
 * How sure the cheapest machine is the right one. Each part of it is left out in turn; all prices are moved against it, up
 * for what it is made of and down for everything else, and the least move is looked for that another machine profits from;
 * figures that nobody states are let pass, and the value asked for at which they might; and for each constant of the model
 * it is told where its machine would fall short, or a cheaper one would do. Each answer is an exact search.
 */
export function* stabilityOf(
  question: Question,
  context: Context,
  ready: Ready = readier(context),
): Generator<Stability, Stability> {
  let now: Stability = {
    chosen: undefined,
    parts: [],
    prices: undefined,
    missing: [],
    constants: [],
    effort: NO_EFFORT,
  };
  const found = (asked: Searchable, under: Under = {}) =>
    foundWithin(
      cheapest(asked, under),
      () => now,
      (next) => (now = next),
    );
  /** Whether any machine costs no more; ends with the first. */
  function* anyWithin(asked: Searchable, mostMinor: number): Generator<Stability, boolean> {
    const before = now.effort;
    const run = cheapest(asked, { mostMinor });
    for (;;) {
      const next = run.next();
      now = { ...now, effort: addEfforts(before, next.value.effort) };
      if (next.done) return next.value.kind === 'best';
      if (next.value.best) return true;
      yield now;
    }
  }

  const base = ready(question);
  const chosen = yield* found(base);
  if (!chosen) return now;
  now = { ...now, chosen };
  const assessment = subjectOf(question.brief, context).assess(chosen.machine);
  const bought = new Map<string, number>();
  const minorOf = new Map(assessment.facts.price.items.map(({ item, landed }) => [item, landed?.landedMinor]));
  for (const { id, part, owned } of chosen.machine.items) {
    const minor = minorOf.get(id);
    if (owned === true || minor === undefined) continue;
    bought.set(part, (bought.get(part) ?? 0) + minor);
  }

  for (const [part, minor] of bought) {
    const withoutParts = new Set([
      ...question.withoutParts,
      ...withEditions(designOf(part, context), context.catalogue),
    ]);
    const next = yield* found(ready({ ...question, withoutParts }));
    now = { ...now, parts: [...now.parts, { part, minor, next }] };
    yield now;
  }

  const own = withEditions(
    [...bought.keys()].flatMap((part) => designOf(part, context)),
    context.catalogue,
  );
  /** The market with all prices moved against the machine, and what it costs there; undefined where it cannot be had. */
  const moved = (percent: number) => {
    const market = repriced(context, (id, { priceMinor }) =>
      timesFigure(priceMinor, 1 + (own.has(id) ? percent : -percent) / 100),
    );
    const asked = searchable(question, market, base);
    const judged = judge(asked.subject.assess(chosen.machine), question);
    return { asked, priceMinor: judged.kind === 'found' ? judged.found.priceMinor : undefined };
  };
  function* beaten(percent: number): Generator<Stability, boolean> {
    const { asked, priceMinor } = moved(percent);
    return priceMinor === undefined || (yield* anyWithin(asked, priceMinor - 1));
  }
  let [holds, turns] = [0, Infinity];
  for (let percent = 1; turns === Infinity && holds < MOST_MOVED; percent = Math.min(MOST_MOVED, percent * 2)) {
    if (yield* beaten(percent)) turns = percent;
    else holds = percent;
  }
  while (turns !== Infinity && turns - holds > 1) {
    const middle = Math.floor((holds + turns) / 2);
    if (yield* beaten(middle)) turns = middle;
    else holds = middle;
  }
  now = {
    ...now,
    prices: { holds, turns: turns === Infinity ? undefined : { found: yield* found(moved(turns).asked) } },
  };
  yield now;

  // what is cheaper and not proven, as long as leaving out what is not known of it leads to another
  const cheaper: Under = { mostMinor: chosen.priceMinor - 1 };
  let allowed: Question = { ...question, unproven: 'allowed' };
  while (now.missing.length < MOST_MISSING) {
    const open = yield* found(ready(allowed), cheaper);
    if (!open) break;
    const judged = subjectOf(question.brief, context).assess(open.machine);
    const findings = judged.findings.filter(({ level }) => level === 'unproven');
    const turnsOfIt: Turn[] = [];
    for (const finding of findings)
      turnsOfIt.push(
        ...(yield* telling(turnTrials(open.machine, question.brief, finding, context, judged), () => now)),
      );
    now = { ...now, missing: [...now.missing, { found: open, turns: turnsOfIt }] };
    yield now;
    const unknown = turnsOfIt.flatMap(({ figure }) => designOf(figure.part, context));
    if (unknown.length === 0) break;
    allowed = {
      ...allowed,
      withoutParts: new Set([...allowed.withoutParts, ...withEditions(unknown, context.catalogue)]),
    };
  }

  // at the low end all doubts are counted in
  const doubted = question.at === 'likely' ? question.least.tasks : [];
  for (const [task, asked] of doubted) {
    const result = assessment.tasks.find((one) => one.task === task);
    if (asked < MET || !result?.ratio) continue;
    const turnsOfChosen = constantTurns(result);
    if (turnsOfChosen.length > 0)
      now = { ...now, constants: [...now.constants, { task, of: 'chosen', found: chosen, turns: turnsOfChosen }] };
    yield now;
    // what nothing was refused for alone, no kinder constant lets in
    if (!isDecisive(base, task)) continue;
    const kinder = (asked * result.ratio.likely) / result.ratio.high;
    const least = { ...question.least, tasks: new Map(question.least.tasks).set(task, kinder) };
    const other = yield* found(ready({ ...question, least }), cheaper);
    if (!other) continue;
    const its = subjectOf(question.brief, context)
      .assess(other.machine)
      .tasks.find((one) => one.task === task);
    now = {
      ...now,
      constants: [...now.constants, { task, of: 'cheaper', found: other, turns: its ? constantTurns(its) : [] }],
    };
    yield now;
  }
  return now;
}

/** The design that a part is an edition of, and itself. */
function designOf(id: string, { catalogue }: Context): string[] {
  const design = catalogue.part(id)?.variantOf;
  return design === undefined ? [id] : [id, design];
}
