import { WHOLE, type Brief, type WholePart } from '../model/brief';
import type { Fitted, FittedParts } from '../model/fitted';
import { movedHere, type Machine } from '../model/machine';
import type { Landed } from './invoice';
import type { MachinePrice } from './landed';

/** What a machine comes to, and what is still to be added to it. */
export interface Spent {
  readonly total: Landed;
  /** Something has no price or is still lacking: it will come to more. */
  readonly lowerBound: boolean;
  /** What the brief wants beside the machine and the machine does not have yet. */
  readonly lacking: readonly Lacking[];
}

/** A part of the whole that is wanted and not there, or the activation of a system that is. */
export type Lacking = WholePart | 'activation';

/** What a total is worked out for. */
interface Bought {
  readonly machine: Machine;
  readonly parts: FittedParts;
  readonly brief: Brief;
}

/** The amount that a budget is compared with: with tax in, or goods and shipping before tax. */
export const onBudgetBasis = (
  { landedMinor, netMinor, shippingMinor }: Landed,
  { budgetTaxIncluded }: Pick<Brief, 'budgetTaxIncluded'>,
): number => (budgetTaxIncluded ? landedMinor : netMinor + shippingMinor);

/** Whether a part of the whole is in the machine, or the brief names one that is owned. */
export function isThere(what: WholePart, parts: FittedParts, brief: Pick<Brief, 'ownedDisplays'>): boolean {
  switch (what) {
    case 'system':
      return parts.ofKind('system').length > 0;
    case 'display':
      return brief.ownedDisplays.length > 0 || parts.ofKind('display').length > 0;
    case 'keyboard':
    case 'pointing':
      return parts.ofKind('peripheral').some(({ part }) => part.serves?.includes(what));
  }
}

/** Owned systems whose licence stays with the machine it first ran on: here they would not be activated. */
export const notActivated = ({ machine, parts }: Pick<Bought, 'machine' | 'parts'>): Fitted<'system'>[] =>
  parts
    .ofKind('system')
    .filter(({ item, part }) => part.moves === false && movedHere(item, machine, parts.ofKind('board')));

/** What is still to be added: a total is a lower bound until it is there. */
export function lackingOf(bought: Bought): Lacking[] {
  const { parts, brief } = bought;
  const wanted = WHOLE.filter((what) => brief.whole?.[what] === 'wanted' && !isThere(what, parts, brief));
  return notActivated(bought).length > 0 ? [...wanted, 'activation'] : wanted;
}

/** Each part from its cheapest seller: what a trial compares, without the search for the best basket. */
export const boughtApart = ({ total, unpriced }: MachinePrice): Pick<Spent, 'total' | 'lowerBound'> => ({
  total,
  lowerBound: unpriced.length > 0,
});

/** A machine's total with what it still lacks. */
export function spentOf({ total, lowerBound }: Pick<Spent, 'total' | 'lowerBound'>, bought: Bought): Spent {
  const lacking = lackingOf(bought);
  return { total, lowerBound: lowerBound || lacking.length > 0, lacking };
}
