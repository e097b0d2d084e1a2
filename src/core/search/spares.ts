import { subjectOf, type Assessment, type Context } from '../assess';
import type { Trials } from '../assess/trials';
import { editMachine } from '../model/edits';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import { cheapestOffer } from '../money/landed';
import type { Part, PartKind } from '../parts';
import { LOWEST_FIRST } from '../units/band';
import { bringsNothingAsBadAs, effectOf, outcomeOf } from './effect';

/** Kinds of which one may lie on a shelf: what fails by itself and is put in at a desk. */
export const SPARED = ['supply', 'drive', 'memory', 'graphics', 'cooler', 'fan'] as const satisfies readonly PartKind[];
export type SparedKind = (typeof SPARED)[number];

/** A piece of a machine that a spare is wanted for. */
export interface Piece {
  /** Index of the machine. */
  readonly machine: number;
  readonly item: string;
}

/** A part on the shelf, landed, and what it may take the place of. */
export interface Spare {
  readonly part: Part;
  readonly priceMinor: number;
  readonly standsFor: readonly Piece[];
}

/** The spares of a kind that stand in for every piece of it at least cost. */
export interface Shelf {
  readonly kind: SparedKind;
  readonly pieces: number;
  readonly spares: readonly Spare[];
  readonly costMinor: number;
  /** One of each different part, as who does not share would keep; undefined where one has no price. */
  readonly eachMinor: number | undefined;
  readonly eachCount: number;
  /** Pieces that none of the parts that are on sale stands in for. */
  readonly without: readonly Piece[];
}

/**
 * Spares for several machines: of the parts that stand in them, and are sold, the ones that together stand in for every
 * piece of a kind at least cost; of equal ones the fewest. A part stands in for another where the machine with it brings no
 * finding that blocks or is unproven, and no task is worse off than it was. Exact over these parts: every pair of part and
 * piece is assessed, and the cover is the least one (weighted set cover, by branch and bound). A trial at a time.
 */
export function* sparesTrials(
  seats: readonly { readonly brief: Brief; readonly machine: Machine; readonly context: Context }[],
): Trials<Shelf[]> {
  const subjects = seats.map(({ brief, context }) => subjectOf(brief, context));
  const machines = seats.flatMap(({ machine }, i) => subjects[i]?.assess(machine) ?? []);
  const shelves: Shelf[] = [];
  for (const kind of SPARED) {
    const pieces = machines.flatMap(({ facts }, machine) =>
      facts.parts.ofKind(kind).map(({ item, part }) => ({ machine, item: item.id, part: part as Part })),
    );
    if (pieces.length === 0) continue;
    const parts = [...new Map(pieces.map(({ part }) => [part.id, part])).values()];
    const prices = parts.map((part) => priceOf(part, machines));
    const options: Spare[] = [];
    for (const [i, part] of parts.entries()) {
      const priceMinor = prices[i];
      if (priceMinor === undefined) continue;
      const standsFor: Piece[] = [];
      for (const { machine, item, part: was } of pieces) {
        yield;
        if (was.id === part.id || standsIn(machine, item, part)) standsFor.push({ machine, item });
      }
      options.push({ part, priceMinor, standsFor });
    }
    const idOf = ({ machine, item }: Piece): string => `${machine} ${item}`;
    const coverable = new Set(options.flatMap(({ standsFor }) => standsFor.map(idOf)));
    const chosen = leastCover(
      options.map(({ priceMinor, standsFor }) => ({ cost: priceMinor, covers: new Set(standsFor.map(idOf)) })),
    );
    shelves.push({
      kind,
      pieces: pieces.length,
      spares: chosen.flatMap((at) => options[at] ?? []),
      costMinor: chosen.reduce((sum, at) => sum + (options[at]?.priceMinor ?? 0), 0),
      eachMinor: prices.reduce<number | undefined>(
        (sum, price) => (sum === undefined || price === undefined ? undefined : sum + price),
        0,
      ),
      eachCount: parts.length,
      without: pieces.filter((piece) => !coverable.has(idOf(piece))).map(({ machine, item }) => ({ machine, item })),
    });
  }
  return shelves;

  function standsIn(index: number, item: string, part: Part): boolean {
    const [before, subject] = [machines[index], subjects[index]];
    if (!before || !subject) return false;
    const swapped = editMachine(before.facts.machine, { kind: 'swap', item, part: part.id, label: part.name });
    const effect = effectOf(outcomeOf(before), outcomeOf(subject.assess(swapped)));
    return (
      bringsNothingAsBadAs(effect, 'unproven') &&
      effect.tasks.every((task) => LOWEST_FIRST[task.after] >= LOWEST_FIRST[task.before])
    );
  }
}

/** Landed at the terms of the first machine that can have it. */
function priceOf(part: Part, machines: readonly Assessment[]): number | undefined {
  for (const { facts } of machines) {
    const best = cheapestOffer(facts.catalogue, part, facts.region, facts.policy);
    if (best) return best.landed.landedMinor;
  }
  return undefined;
}

/** Something that covers some of what is to be covered. */
export interface Covering {
  readonly cost: number;
  readonly covers: ReadonlySet<string>;
}

/**
 * Places of the options that cover all that any of them covers, at least cost and of equal ones the fewest. Exact: what is
 * hardest to cover is decided first, and a way that costs as much as the best one already is left.
 * @example leastCover([{ cost: 5, covers: new Set(['a', 'b']) }, { cost: 3, covers: new Set(['a']) }, { cost: 3, covers: new Set(['b']) }]) // [0]
 */
export function leastCover(options: readonly Covering[]): number[] {
  const all = new Set(options.flatMap(({ covers }) => [...covers]));
  let best: { readonly cost: number; readonly chosen: readonly number[] } | undefined;
  const isBetter = (cost: number, count: number): boolean =>
    best === undefined || cost < best.cost || (cost === best.cost && count < best.chosen.length);
  const search = (open: ReadonlySet<string>, chosen: readonly number[], cost: number): void => {
    if (!isBetter(cost, chosen.length)) return;
    if (open.size === 0) {
      best = { cost, chosen };
      return;
    }
    let branch: number[] | undefined;
    for (const need of open) {
      const by = options.flatMap(({ covers }, at) => (covers.has(need) ? [at] : []));
      if (branch === undefined || by.length < branch.length) branch = by;
    }
    for (const at of (branch ?? []).sort((a, b) => (options[a]?.cost ?? 0) - (options[b]?.cost ?? 0))) {
      const option = options[at];
      if (option)
        search(new Set([...open].filter((need) => !option.covers.has(need))), [...chosen, at], cost + option.cost);
    }
  };
  search(all, [], 0);
  return [...(best?.chosen ?? [])].sort((a, b) => a - b);
}
