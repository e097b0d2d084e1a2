import type { Sharing, TeamShares } from '../search/exact/team';
import type { SeatPoints } from '../search/exact/teamSearch';
import type { Together } from '../versus/boughtTogether';
import type { Currency } from '../units/money';
import { coins, listed } from './format';

/** A budget shared out, in a sentence; or why it is not. */
export function teamWords(
  sharing: { readonly kind: 'shared'; readonly shares: TeamShares } | Exclude<Sharing, { kind: 'shared' }>,
  budgetMinor: number,
  currency: Currency,
  nameOf: (id: string) => string,
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
        `${budget} do not buy every seat a machine that does its work: the least that does is ${coins(sharing.leastMinor, currency)}.`,
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
    return list.length === 0 ? `${step} ${to} change nothing.` : `${step} ${to}: ${listed(list)}.`;
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
