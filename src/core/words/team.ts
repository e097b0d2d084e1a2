import type { Sharing, TeamShares } from '../search/exact/team';
import type { SeatPoints } from '../search/exact/teamSearch';
import type { Together } from '../versus/boughtTogether';
import type { Currency } from '../units/money';
import { fullName } from '../model/fitted';
import type { Shelf } from '../search/spares';
import { plainNumber } from '../units/money';
import { coins, listed } from './format';
import { kindName } from './names';

/** A budget shared out, in a sentence; or why it is not. Where nothing is proven to be the least, none is told. */
export function teamWords(
  sharing: { readonly kind: 'shared'; readonly shares: TeamShares } | Exclude<Sharing, { kind: 'shared' }>,
  budgetMinor: number,
  currency: Currency,
  nameOf: (id: string) => string,
  leastIsProven: boolean,
): string[] {
  const budget = coins(budgetMinor, currency);
  switch (sharing.kind) {
    case 'shared': {
      const { spentMinor, seats } = sharing.shares;
      const left = budgetMinor - spentMinor;
      return [
        `${seats.length === 1 ? 'One machine' : `${seats.length} machines`} for ${coins(spentMinor, currency)}${left > 0 ? `; ${coins(left, currency)} of ${budget} are left` : ', all of the budget'}.`,
      ];
    }
    case 'too little':
      return [
        leastIsProven
          ? `${budget} do not buy every seat a machine that does its work: the least that does is ${coins(sharing.leastMinor, currency)}.`
          : `The machines found so far cost ${coins(sharing.leastMinor, currency)} together, more than ${budget}; cheaper ones may come.`,
      ];
    case 'without machines':
      return [`No machine is known for ${listed(sharing.seats.map(nameOf))}.`];
  }
}

/** Who gains from so much more and who loses from so much less, a sentence each. */
export function stepWords(
  { seats }: TeamShares,
  known: readonly Pick<SeatPoints, 'points'>[],
  stepMinor: number,
  currency: Currency,
  nameOf: (id: string) => string,
): string[] {
  const step = coins(stepMinor, currency);
  const changed = (to: 'more' | 'less'): string[] =>
    seats.flatMap((seat, i) => {
      const then = seat[to];
      const [was, is] = [known[i]?.points[seat.point], then === undefined ? undefined : known[i]?.points[then]];
      return !was || !is || then === seat.point
        ? []
        : [`${nameOf(seat.id)} ${is.rank.percent} % of what is asked in place of ${was.rank.percent} %`];
    });
  const tell = (to: 'more' | 'less'): string => {
    if (seats.every((seat) => seat[to] === undefined))
      return `With ${step} ${to} not every seat has a machine that does its work.`;
    const list = changed(to);
    return list.length === 0 ? `${step} ${to} would change nothing.` : `${step} ${to}: ${listed(list)}.`;
  };
  return [tell('more'), tell('less')];
}

/** What buying several machines in one basket saves, in a sentence. */
export function togetherWords({ apartMinor, togetherMinor, proven }: Together, currency: Currency): string {
  if (togetherMinor === undefined) return 'Not all of it can be bought at once: the sellers have not enough pieces.';
  const saved = apartMinor - togetherMinor;
  const least = proven ? '' : ' as far as it was looked';
  if (saved === 0) return `Bought in one basket they cost as much${least}.`;
  return saved > 0
    ? `Bought in one basket ${coins(saved, currency)} are saved${least}.`
    : `Bought at once they cost ${coins(-saved, currency)} more${least}: the cheapest sellers have not enough pieces.`;
}

/** Spares of a kind: what lies on the shelf, for how many pieces and which seats, and what that costs. */
export interface ShelfWords {
  readonly kind: string;
  readonly spares: readonly { readonly name: string; readonly seats: readonly string[]; readonly priceMinor: number }[];
  /** What nothing on the shelf stands in for. */
  readonly lacks: string | undefined;
}
export const shelfWords = ({ kind, spares, without }: Shelf, seatOf: (machine: number) => string): ShelfWords => ({
  kind: kindName(kind),
  spares: spares.map(({ part, priceMinor, standsFor }) => ({
    name: fullName(part),
    seats: [...new Set(standsFor.map(({ machine }) => seatOf(machine)))],
    priceMinor,
  })),
  lacks:
    without.length === 0
      ? undefined
      : `nothing on sale stands in at ${listed([...new Set(without.map(({ machine }) => seatOf(machine)))])}`,
});

/** What sharing spares saves, in a sentence. */
export function sparesWords(shelves: readonly Shelf[], currency: Currency): string {
  const pieces = shelves.reduce((sum, shelf) => sum + shelf.pieces, 0);
  const spares = shelves.reduce((sum, shelf) => sum + shelf.spares.length, 0);
  const costMinor = shelves.reduce((sum, shelf) => sum + plainNumber(shelf.costMinor), 0);
  const each = shelves.reduce((sum, shelf) => sum + shelf.eachCount, 0);
  const eachMinor = shelves.reduce<number | undefined>(
    (sum, shelf) =>
      sum === undefined || shelf.eachMinor === undefined ? undefined : sum + plainNumber(shelf.eachMinor),
    0,
  );
  const lone =
    eachMinor === undefined ? '' : ` One of each different part would be ${each} for ${coins(eachMinor, currency)}.`;
  return `${spares} ${spares === 1 ? 'spare' : 'spares'} for ${coins(costMinor, currency)} ${spares === 1 ? 'stands' : 'stand'} in for ${pieces} pieces at all desks.${lone}`;
}
