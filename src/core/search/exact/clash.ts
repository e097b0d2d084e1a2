import type { Context } from '../../assess';
import type { Brief } from '../../model/brief';
import type { Catalogue } from '../../model/catalogue';
import type { FoundMachine } from './judge';
import type { Question } from './question';
import { cheapest } from './search';
import { fullName } from '../../model/fitted';
import { readier, type Ready } from './searchable';
import { SHARES, type Share } from './shares';

/** Something that is asked for and could be let go. */
export type Demand =
  | { readonly code: 'target'; readonly task: string }
  | { readonly code: 'must-have'; readonly what: keyof Brief['mustHaves'] }
  | { readonly code: 'kept'; readonly item: string; readonly name: string }
  | { readonly code: 'left-out'; readonly what: 'part' | 'maker'; readonly id: string; readonly name: string }
  | { readonly code: 'share'; readonly share: Share }
  | { readonly code: 'lasting' }
  | { readonly code: 'proof' }
  | { readonly code: 'budget' };

/** A demand that clashes, with what would do in its place. */
export interface Relaxed {
  readonly demand: Demand;
  /** The cheapest machine without it that was found; undefined when the trial was ended before it found one. */
  readonly found: FoundMachine | undefined;
  /** Of a target the largest share that could be had, as far as it was looked for. */
  readonly reaches: number | undefined;
}

/** Why no machine is possible. `proven` is false when a trial gave up: the list may then be too long. */
export interface Clash {
  readonly demands: readonly Relaxed[];
  readonly proven: boolean;
  /** Positions for which nothing on sale stands even by itself, where no demand is to blame. */
  readonly lacking: readonly string[];
}

/**
 * The demands of a question, those first that somebody would rather keep: what comes first is cleared first, so it is
 * named only if it must be.
 */
export function demandsOf(
  { brief, keep, least, lasting, unproven, mostMinor, mostFor, withoutParts, withoutMakers }: Question,
  catalogue: Pick<Catalogue, 'part'>,
): Demand[] {
  const partName = (id: string): string => {
    const part = catalogue.part(id);
    return part ? fullName(part) : id;
  };
  const importance = new Map(brief.tasks.map(({ id, importance: weight }) => [id, weight]));
  return [
    ...[...least.tasks.keys()]
      .sort((a, b) => (importance.get(b) ?? 0) - (importance.get(a) ?? 0))
      .map((task): Demand => ({ code: 'target', task })),
    ...(Object.keys(brief.mustHaves) as (keyof Brief['mustHaves'])[])
      .filter((what) => brief.mustHaves[what] !== undefined && brief.mustHaves[what] !== false)
      .map((what): Demand => ({ code: 'must-have', what })),
    ...keep.map(({ id, label, part }): Demand => ({ code: 'kept', item: id, name: label ?? part })),
    ...[...withoutParts].map((id): Demand => ({ code: 'left-out', what: 'part', id, name: partName(id) })),
    ...[...withoutMakers].map((id): Demand => ({ code: 'left-out', what: 'maker', id, name: id })),
    ...SHARES.filter((share) => mostFor[share] !== undefined).map((share): Demand => ({ code: 'share', share })),
    ...(lasting ? [{ code: 'lasting' } as const] : []),
    ...(unproven === 'refused' ? [{ code: 'proof' } as const] : []),
    ...(mostMinor !== undefined || (brief.budgetFirm === true && brief.budgetMinor !== undefined)
      ? [{ code: 'budget' } as const]
      : []),
  ];
}

/** A question without a demand. */
export function without(question: Question, demand: Demand): Question {
  switch (demand.code) {
    case 'target': {
      const tasks = new Map(question.least.tasks);
      tasks.delete(demand.task);
      return { ...question, least: { ...question.least, tasks } };
    }
    case 'must-have': {
      const { [demand.what]: _gone, ...mustHaves } = question.brief.mustHaves;
      return { ...question, brief: { ...question.brief, mustHaves } };
    }
    case 'kept':
      return { ...question, keep: question.keep.filter(({ id }) => id !== demand.item) };
    case 'left-out': {
      const list = demand.what === 'part' ? 'withoutParts' : 'withoutMakers';
      return { ...question, [list]: new Set([...question[list]].filter((id) => id !== demand.id)) };
    }
    case 'share': {
      const { [demand.share]: _gone, ...mostFor } = question.mostFor;
      return { ...question, mostFor };
    }
    case 'lasting':
      return { ...question, lasting: false };
    case 'proof':
      return { ...question, unproven: 'allowed' };
    case 'budget': {
      const { budgetFirm: _firm, ...brief } = question.brief;
      return { ...question, brief, mostMinor: undefined };
    }
  }
}

/** Nodes after which a trial gives up: it then clears nobody. */
const TRIAL_NODES = 1500;
/** Nodes that go into what a demand costs, once something was found. */
const RELAXED_NODES = 600;
/** Halvings of a target that is looked for: to a sixteenth of it. */
const HALVINGS = 4;

type Tried = { readonly kind: 'yes'; readonly found: FoundMachine } | { readonly kind: 'no' | 'stopped' };

/** Whether any machine is possible: ends with the first, or so many nodes after it with the cheapest it has seen. */
function* tried(question: Question, ready: Ready, afterFirst = 0): Generator<void, Tried> {
  const run = cheapest(ready(question));
  for (;;) {
    const next = run.next();
    if (next.done) return next.value.kind === 'best' ? { kind: 'yes', found: next.value.found } : { kind: 'no' };
    const { best, effort } = next.value;
    if (best && effort.nodes >= afterFirst) return { kind: 'yes', found: best };
    if (effort.nodes >= TRIAL_NODES) return { kind: 'stopped' };
    yield;
  }
}

/** The cheapest machine that a trial finds before it gives up. */
function* cheapestWithin(question: Question, ready: Ready): Generator<void, FoundMachine | undefined> {
  const answer = yield* tried(question, ready, RELAXED_NODES);
  return answer.kind === 'yes' ? answer.found : undefined;
}

/**
 * The smallest set of demands that clash, of a question for which no machine is possible: each is taken away in turn, and
 * one without which it is still impossible was innocent. With each one of those that are left taken away alone, a machine
 * is possible; for a target it is looked for how much of it can be had.
 */
export function* clashOf(
  question: Question,
  context: Context,
  ready: Ready = readier(context),
): Generator<void, Clash> {
  let left = question;
  let proven = true;
  const blamed: Demand[] = [];
  for (const demand of demandsOf(question, context.catalogue)) {
    const less = without(left, demand);
    const answer = yield* tried(less, ready);
    if (answer.kind === 'no') left = less;
    else {
      if (answer.kind === 'stopped') proven = false;
      blamed.push(demand);
    }
  }
  const demands: Relaxed[] = [];
  for (const demand of blamed) {
    // where it was the only thing wrong, all the rest is kept
    const found =
      (yield* cheapestWithin(without(question, demand), ready)) ??
      (yield* cheapestWithin(without(left, demand), ready));
    demands.push({
      demand,
      found,
      reaches: demand.code === 'target' && found ? yield* reachOf(left, demand.task, ready) : undefined,
    });
  }
  const lacking =
    blamed.length > 0 ? [] : ready(left).space.positions.flatMap(({ name, choices }) => (choices.at(0) ? [] : [name]));
  return { demands, proven, lacking };
}

/** The largest share of a task's target that can be had beside all other demands, by halves. */
function* reachOf(question: Question, task: string, ready: Ready): Generator<void, number> {
  let [low, high] = [0, question.least.tasks.get(task) ?? 1];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    const tasks = new Map(question.least.tasks).set(task, middle);
    const answer = yield* tried({ ...question, least: { ...question.least, tasks } }, ready);
    if (answer.kind === 'yes') low = middle;
    else high = middle;
  }
  return low;
}
