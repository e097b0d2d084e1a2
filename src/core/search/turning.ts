import { assess, quickly, subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import type { Catalogue } from '../model/catalogue';
import type { Machine } from '../model/machine';
import { figureMeta, isNumberField, type Part } from '../parts';
import { failing, type Check, type Finding } from '../rules/rule';
import type { MissingFigure } from '../figures/missing';
import { finish, type Trials } from '../assess/trials';

/** Names of the tasks whose verdict the figure decides, and of those that it does not: something else holds them down. */
interface Turning {
  readonly tasks: readonly string[];
  readonly without: readonly string[];
}

/** Where an unknown figure turns a verdict. */
export type Turn = {
  readonly figure: MissingFigure;
  /** What parts of the kind state of it, least and most; undefined when none does. */
  readonly usual: readonly [number, number] | undefined;
} & (
  | ({ readonly kind: 'at-least' | 'at-most'; readonly value: number } & Turning)
  /** Whatever the figure is within reason, the verdict stays good, or bad. */
  | ({ readonly kind: 'always' } & Turning)
  | { readonly kind: 'never' }
  /** No direction is declared in which the figure is better, so there is no value to look for. */
  | { readonly kind: 'no-direction' }
);

/** How far beyond what parts of the kind state a figure is looked for. */
const BEYOND = 20;
/** The value is found to within this share. */
const WITHIN = 0.005;

/**
 * For an unproven finding, the value of each missing figure at which its verdict turns, the one that matters most first:
 * a figure whose usual range holds the turning point decides, one that hardly can be wrong does not. Found by bisection
 * along the direction that the figure declares; the other missing figures are taken at the middle of what parts of their
 * kind state.
 */
export const turnsOf = (...args: Parameters<typeof turnTrials>): Turn[] => finish(turnTrials(...args));

/** The same, a trial at a time. */
export function* turnTrials(
  machine: Machine,
  brief: Brief,
  finding: Finding,
  context: Context,
  before: Assessment = subjectOf(brief, quickly(context)).assess(machine),
): Trials<Turn[]> {
  if (!('missing' in finding)) return [];
  const turns: Turn[] = [];
  for (const figure of finding.missing) {
    const others = finding.missing.filter((other) => other !== figure);
    turns.push(yield* turnOf(figure, others, machine, brief, finding, context, before));
  }
  return turns.sort((a, b) => weight(a) - weight(b));
}

/** What decides stands first: a turning point within the usual range, then one outside it, then what cannot turn it. */
function weight(turn: Turn): number {
  if (turn.kind === 'at-least' || turn.kind === 'at-most') {
    const [least, most] = turn.usual ?? [0, Infinity];
    return turn.value >= least && turn.value <= most ? 0 : 1;
  }
  return turn.kind === 'never' ? 2 : turn.kind === 'always' ? 3 : 4;
}

function* turnOf(
  figure: MissingFigure,
  others: readonly MissingFigure[],
  machine: Machine,
  brief: Brief,
  finding: Finding,
  context: Context,
  before: Assessment,
): Trials<Turn> {
  const { catalogue } = context;
  const part = catalogue.part(figure.part);
  const usual = part && usualRange(part, figure.field, catalogue);
  const better =
    part && isNumberField(part.kind, figure.field) ? figureMeta(part.kind, figure.field).better : undefined;
  if (!part || (better !== 'higher' && better !== 'lower')) return { figure, usual, kind: 'no-direction' };
  const filled = others.reduce((known, other) => {
    const its = known.part(other.part);
    const range = its && usualRange(its, other.field, known);
    return its && range ? withFigure(known, its, other.field, Math.sqrt(range[0] * range[1]) || range[1]) : known;
  }, catalogue);
  const asked = askedOf(before, finding, figure);
  const wrongAt = (value: number): Set<string> => {
    const tried = withFigure(filled, filled.part(figure.part) ?? part, figure.field, value);
    const after = assess(machine, brief, { ...quickly(context), catalogue: tried });
    return wrongOf(after, asked, finding, figure);
  };
  const [least, most] = usual ?? [1, 1000];
  const [low, high] = [Math.max(least / BEYOND, Number.EPSILON), Math.max(most, least) * BEYOND];
  const best = better === 'higher' ? high : low;
  const worst = better === 'higher' ? low : high;
  yield;
  // what another fault holds down, no value of this figure lifts: the others are asked about without it
  const anyway = wrongAt(best);
  const turning = [...asked].filter(([id]) => !anyway.has(id));
  if (turning.length === 0) return { figure, usual, kind: 'never' };
  const tasks = turning.flatMap(([, name]) => name ?? []);
  const without = [...asked].flatMap(([id, name]) => (anyway.has(id) && name !== undefined ? [name] : []));
  const holds = (value: number): boolean => {
    const wrong = wrongAt(value);
    return !turning.some(([id]) => wrong.has(id));
  };
  yield;
  if (holds(worst)) return { figure, usual, kind: 'always', tasks, without };
  let [bad, enough] = [worst, best];
  // figures span powers of ten, so the middle is the geometric one
  while (Math.max(bad, enough) / Math.min(bad, enough) > 1 + WITHIN) {
    const middle = Math.sqrt(bad * enough);
    yield;
    if (holds(middle)) enough = middle;
    else bad = middle;
  }
  return { figure, usual, kind: better === 'higher' ? 'at-least' : 'at-most', value: enough, tasks, without };
}

/** What a finding is about: tasks with their names that lack the figure, or the comparison itself, which has none. */
function askedOf(before: Assessment, finding: Finding, figure: MissingFigure): Map<string, string | undefined> {
  if (finding.rule !== 'task-figures') return new Map([[finding.rule, undefined]]);
  const names = new Map(before.facts.brief.tasks.map(({ id, name }) => [id, name]));
  return new Map(
    before.tasks
      .filter(({ missing }) => missing.some(sameAs(figure)))
      .map(({ task }) => [task, names.get(task) ?? task]),
  );
}

/** What is still wrong of it: for a prediction the tasks, for a comparison what the same rule says of the same part. */
function wrongOf(
  after: Assessment,
  asked: ReadonlyMap<string, string | undefined>,
  finding: Finding,
  figure: MissingFigure,
): Set<string> {
  const loud = after.findings.filter(
    (check) => failing(check.level) || check.level === 'caution' || stillOpen(check, figure),
  );
  if (finding.rule !== 'task-figures') {
    const same = (check: Check) =>
      check.rule === finding.rule && check.items.some((item) => finding.items.includes(item));
    return new Set(loud.some(same) ? [finding.rule] : []);
  }
  return new Set(
    loud.flatMap((check) => (check.code === 'task-result' && asked.has(check.taskId) ? [check.taskId] : [])),
  );
}

const sameAs =
  (figure: MissingFigure) =>
  (other: MissingFigure): boolean =>
    other.part === figure.part && other.field === figure.field;

/** The figure was filled in, so whatever still misses it was not looked at. */
const stillOpen = (check: Check, figure: MissingFigure): boolean =>
  'missing' in check && check.missing.some(sameAs(figure));

/** Least and most that parts of the same kind state of a figure. */
function usualRange(part: Part, field: string, catalogue: Catalogue): readonly [number, number] | undefined {
  let least = Infinity;
  let most = -Infinity;
  for (const other of catalogue.ofKind(part.kind) as readonly Part[]) {
    if (!alike(part, other)) continue;
    const value = (other as unknown as Readonly<Record<string, unknown>>)[field];
    if (typeof value !== 'number' || value <= 0) continue;
    least = Math.min(least, value);
    most = Math.max(most, value);
  }
  return most > 0 ? [least, most] : undefined;
}

/** A disk says nothing of what a drive with cells usually does, nor a sound card of a capture card. */
function alike(part: Part, other: Part): boolean {
  if (part.kind === 'drive' && other.kind === 'drive')
    return (part.cellKind === 'magnetic') === (other.cellKind === 'magnetic') && part.interface === other.interface;
  if (part.kind === 'expansion' && other.kind === 'expansion') return part.purpose === other.purpose;
  return true;
}

/** The catalogue with one figure of one part filled in. */
function withFigure(catalogue: Catalogue, part: Part, field: string, value: number): Catalogue {
  const filled = { ...part, [field]: value } as Part;
  return { ...catalogue, part: (id) => (id === part.id ? filled : catalogue.part(id)) };
}
