import type { DriveRole } from '../../figures/resources';
import { fullName } from '../../model/fitted';
import type { Item } from '../../model/machine';
import type { Part } from '../../parts';
import { compareParts } from '../../parts/order';
import { figureKey } from '../trial';

/** What one position of a machine may be filled with: several equal pieces, a set of drives, or nothing. */
export interface Option {
  readonly items: readonly Item[];
  readonly parts: readonly Part[];
  /** Options with equal numbers of their figures are the same to all that reads no identity. */
  readonly figuresId: number;
  /** Which parts it is, as a number. */
  readonly partsId: number;
  /** What its pieces add to a basket at least. */
  readonly leastMinor: number;
  /** Drives of one group of roles each, where the option is a set of several. */
  readonly groups?: readonly Option[];
}

/** Options of a position, the cheapest first; made when they are asked for. */
export interface Choices {
  readonly at: (index: number) => Option | undefined;
}

/** Whether a set of drives may do for roles, by what they must hold and give; see `driveSets.ts`. */
export type DrivesDo = (option: Option) => boolean;

/** A part with what a piece adds to a basket at least, and whose it is. */
export interface Good {
  readonly part: Part;
  readonly leastMinor: number;
  /** Set when it is a piece that is there. */
  readonly spare?: Item;
}

export const NOTHING: Option = { items: [], parts: [], figuresId: 0, partsId: 0, leastMinor: 0 };

/** One, two, … pieces of a good; a spare piece is there once. */
export const upTo = (most: number, good: Good): (readonly Good[])[] =>
  Array.from({ length: good.spare ? 1 : most }, (_, i) => Array.from({ length: i + 1 }, () => good));

/** Goods as items of a machine, named after their position. */
export function optionOf(
  name: string,
  goods: readonly Good[],
  rolesOf?: (index: number) => readonly DriveRole[],
): Option {
  if (goods.length === 0) return NOTHING;
  const said = (of: (part: Part) => unknown): string =>
    goods.map(({ part }, i) => `${String(of(part))} ${rolesOf?.(i).join() ?? ''}`).join('+');
  return {
    items: goods.map(({ part, spare }, i): Item => ({
      id: `${name.replaceAll(' ', '-')}-${i + 1}`,
      part: part.id,
      label: fullName(part),
      ...(spare ? { owned: true } : {}),
      ...(rolesOf ? { roles: [...rolesOf(i)] } : {}),
    })),
    parts: goods.map(({ part }) => part),
    figuresId: numberOf(said(figureKey)),
    partsId: numberOf(said(({ id }) => id)),
    leastMinor: goods.reduce((all, { leastMinor }) => all + leastMinor, 0),
  };
}

/** Items as they stand on a machine: how one is used or paid for stays as it is. */
export function asIs(
  own: readonly { readonly item: Item; readonly part: Part }[],
  prices: { readonly ofItem: (item: Item, part: Part) => number | undefined },
): Option {
  if (own.length === 0) return NOTHING;
  const useOf = ({ id: _id, part: _part, label: _label, roles = [], owned: _owned, ...use }: Item): string =>
    `${roles.join()}${Object.keys(use).length > 0 ? JSON.stringify(use) : ''}`;
  const said = (of: (part: Part) => unknown): string =>
    own.map(({ item, part }) => `${String(of(part))} ${useOf(item)}`).join('+');
  return {
    items: own.map(({ item }) => item),
    parts: own.map(({ part }) => part),
    figuresId: numberOf(said(figureKey)),
    partsId: numberOf(said(({ id }) => id)),
    // what nobody sells any more has no price: it is judged when the machine is whole
    leastMinor: own.reduce((all, { item, part }) => all + (prices.ofItem(item, part) ?? 0), 0),
  };
}

const numbers = new Map<string, number>();

/** A text's number; equal texts have the same. */
export function numberOf(text: string): number {
  let number = numbers.get(text);
  if (number === undefined) numbers.set(text, (number = numbers.size + 1));
  return number;
}

/** Options in order of price, then of what they are. */
export function listed(options: readonly Option[]): Choices {
  const sorted = [...options].sort((a, b) => a.leastMinor - b.leastMinor || compareOptions(a, b));
  return { at: (index) => sorted[index] };
}

/** Order of options by what they are, the better first, then by name; never by id. */
export function compareOptions(a: Option, b: Option): number {
  for (let i = 0; i < Math.max(a.parts.length, b.parts.length); i++) {
    const [one, two] = [a.parts[i], b.parts[i]];
    if (!one || !two) return a.parts.length - b.parts.length;
    const order = compareParts(one, two);
    if (order !== 0) return order;
  }
  return 0;
}

/** Choices without those that are refused by themselves, each asked when its turn comes. */
export function only(choices: Choices, stands: (option: Option) => boolean): Choices {
  const left: Option[] = [];
  let next = 0;
  return {
    at: (index) => {
      while (left.length <= index) {
        const option = choices.at(next);
        if (!option) return undefined;
        next++;
        if (stands(option)) left.push(option);
      }
      return left[index];
    },
  };
}

/** Choices with one more, where its price puts it. */
export function withOne(choices: Choices, option: Option): Choices {
  let place: number | undefined;
  let looked = 0;
  return {
    at: (index) => {
      while (place === undefined && looked <= index) {
        const next = choices.at(looked);
        if (!next || next.leastMinor > option.leastMinor) place = looked;
        else looked++;
      }
      if (place === undefined || index < place) return choices.at(index);
      return index === place ? option : choices.at(index - 1);
    },
  };
}
