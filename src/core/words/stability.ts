import type { Context } from '../assess';
import type { Machine } from '../model/machine';
import type { Brief } from '../model/brief';
import { fullName } from '../model/fitted';
import { PART_KINDS } from '../parts';
import type { ConstantTurn } from '../predict/constantTurns';
import { MOST_MOVED, STABLE_AT, type ConstantCase, type PartRoom, type Stability } from '../search/exact/stability';
import { ratioOf, type Currency } from '../units/money';
import { coins, listed, number, percent, quantity } from './format';
import { changeWords } from './repaired';
import { turnWords } from './turning';

/** What would take a part's place, in words. */
export interface PartRoomWords {
  readonly name: string;
  readonly minor: number;
  /** What the cheapest machine without it costs more; undefined when nothing does the work without it. */
  readonly moreMinor: number | undefined;
  /** The same as a share of what the part costs: how far its price may rise by itself; Infinity where nothing takes its place. */
  readonly room: number;
  readonly stable: boolean;
  /** A line for each kind of part that is another one then. */
  readonly then: readonly string[];
}

/** How sure a choice is, in sentences. */
export interface StabilityWords {
  readonly chosenMinor: number;
  /** "7 of 8 parts keep their place while their own price rises by 5 %; Cove only by 2 %." */
  readonly line: string;
  /** Parts that are hardly chosen first. */
  readonly parts: readonly PartRoomWords[];
  /** Undefined as long as it is not known. */
  readonly prices: { readonly stable: boolean; readonly says: string; readonly then: readonly string[] } | undefined;
  readonly missing: readonly { readonly says: string; readonly turns: readonly string[] }[];
  readonly constants: readonly { readonly says: string; readonly turns: readonly string[] }[];
}

/** What is another part in one machine than in the other, a line for each kind. */
export function swapWords(from: Machine, to: Machine, context: Pick<Context, 'catalogue'>): string[] {
  const ofKind = ({ items }: Machine, kind: string): string =>
    items
      .map(({ part }) => part)
      .filter((part) => context.catalogue.part(part)?.kind === kind)
      .sort()
      .join();
  const changed = PART_KINDS.filter((kind) => ofKind(from, kind) !== ofKind(to, kind));
  return changeWords(
    from,
    to,
    changed.map((kind) => ({ kinds: [kind] })),
    context,
  );
}

/** How sure the cheapest machine is the right one; undefined as long as there is none. */
export function stabilityWords(
  { chosen, parts, prices, missing, constants }: Stability,
  brief: Pick<Brief, 'tasks'>,
  currency: Currency,
  context: Context,
): StabilityWords | undefined {
  if (!chosen) return undefined;
  const swap = (to: Machine): string[] => swapWords(chosen.machine, to, context);
  const roomOf = ({ part, minor, next }: PartRoom): PartRoomWords => {
    const found = context.catalogue.part(part);
    const moreMinor = next && next.priceMinor - chosen.priceMinor;
    // what is free may not rise by any share of its price
    const room =
      moreMinor === undefined ? Infinity : minor > 0 ? ratioOf(moreMinor, minor) : moreMinor > 0 ? Infinity : 0;
    return {
      name: found ? fullName(found) : part,
      minor,
      moreMinor,
      room,
      stable: room >= STABLE_AT / 100,
      then: next ? swap(next.machine) : [],
    };
  };
  const rooms = parts.map(roomOf).sort((a, b) => a.room - b.room);
  return {
    chosenMinor: chosen.priceMinor,
    line: roomsLine(rooms),
    parts: rooms,
    prices: prices && {
      stable: prices.holds >= STABLE_AT,
      says: pricesWords(prices),
      then: prices.turns?.found ? swap(prices.turns.found.machine) : [],
    },
    missing: missing.map(({ found, turns }) => ({
      says: `${coins(chosen.priceMinor - found.priceMinor, currency)} less if what nobody states is good enough; ${listed(swap(found.machine))}`,
      turns: turns.map((turn) => turnWords(turn, context.catalogue)),
    })),
    constants: constants.map((entry) => ({
      says: constantCaseWords(entry, chosen.priceMinor, brief, currency),
      turns: entry.turns.map((turn) => constantWords(turn, entry.of)),
    })),
  };
}

/** How far prices may move against the choice. */
function pricesWords({ holds, turns }: NonNullable<Stability['prices']>): string {
  if (!turns)
    return `Stable: with all its prices ${MOST_MOVED} % up, and all others ${MOST_MOVED} % down, it is still the cheapest.`;
  const next = holds + 1;
  const then = turns.found ? 'another machine is cheaper' : 'nothing can be had for the money';
  const sense = holds >= STABLE_AT ? 'Stable' : holds === 0 ? 'Close to another' : 'Not stable';
  return holds === 0
    ? `${sense}: with all its prices 1 % up, and all others 1 % down, ${then}.`
    : `${sense}: all its prices may go up by ${holds} % while all others go down by as much; at ${next} % ${then}.`;
}

function constantCaseWords(
  { task, of, found, turns }: ConstantCase,
  chosenMinor: number,
  { tasks }: Pick<Brief, 'tasks'>,
  currency: Currency,
): string {
  const name = `“${tasks.find(({ id }) => id === task)?.name ?? task}”`;
  if (of === 'chosen') return `${name} would fall short of its target`;
  const less = coins(chosenMinor - found.priceMinor, currency);
  return turns.length > 0
    ? `A machine for ${less} less would do for ${name}`
    : `A machine for ${less} less would do for ${name} if several of the model’s constants were kinder together; none does it alone`;
}

/** A constant and the value from which on it turns: "if with edges is 1.92 × or more (taken for 1.8)". */
function constantWords({ label, unit, value, turnsAt }: ConstantTurn, of: ConstantCase['of']): string {
  const bound = turnsAt > value ? 'or more' : 'or less';
  // a share says by its name what it is a share of
  const there = unit.startsWith('share') ? number(turnsAt) : quantity(turnsAt, unit);
  return `${of === 'chosen' ? 'if' : 'if only'} “${label}” is ${there} ${bound}; it is taken for ${number(value)}`;
}

/** How many parts keep their place, in a line, with those that hardly do. */
function roomsLine(parts: readonly PartRoomWords[]): string {
  const close = parts.filter(({ stable }) => !stable);
  if (parts.length === 0) return '';
  return close.length === 0
    ? `All ${parts.length} parts looked at keep their place while their own price rises by ${STABLE_AT} %.`
    : `${parts.length - close.length} of ${parts.length} parts keep their place while their own price rises by ${STABLE_AT} %; ${listed(close.map(({ name, room }) => `${name} only by ${percent(room)}`))}.`;
}
