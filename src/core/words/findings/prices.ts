import type { TrustGrade } from '../../money/trust';
import type { PriceFigures } from '../../rules/prices/figures';
import { coins, listed } from '../format';
import { type WordsOf } from './words';

export const GRADE: Readonly<Record<TrustGrade, string>> = {
  trusted: 'trusted',
  'little-known': 'little known',
  doubtful: 'doubtful',
  unknown: 'not known at all',
};

export const priceWords: WordsOf<PriceFigures> = {
  budget: (check) => {
    const basis = check.taxIncluded ? 'landed, tax and shipping in' : 'before tax';
    const spent = `${check.lowerBound ? 'at least ' : ''}${coins(check.spentMinor, check.currency)}`;
    const difference = Math.abs(check.budgetMinor - check.spentMinor);
    return check.spentMinor > check.budgetMinor
      ? {
          says: `It costs ${spent}, ${coins(difference, check.currency)} over the ${check.firm ? 'firm ' : ''}budget of ${coins(check.budgetMinor, check.currency)} (${basis}).`,
          mend: check.firm ? 'Take cheaper parts.' : 'Take cheaper parts, or raise the budget.',
        }
      : {
          says: `It costs ${spent} of ${coins(check.budgetMinor, check.currency)} (${basis}); ${coins(difference, check.currency)} are left.`,
        };
  },
  'price-unknown': (check) => ({
    says: `No offer for ${listed(check.names)} in this region: the total is a lower bound.`,
    mend: 'Add an offer or a price.',
  }),
  'prices-known': (check) => ({ says: `All ${check.count} parts have a price.` }),
  'arrives-late': (check) => ({
    says: `${check.name} arrives on ${check.arrives} at the earliest; everything is needed by ${check.neededBy}.`,
    mend: 'Take a part that is in stock, or move the day.',
  }),
  'delivery-unknown': (check) => ({
    says: `No seller says when ${check.name} arrives; everything is needed by ${check.neededBy}.`,
    mend: 'Ask a seller, or take a part with a stated delivery.',
  }),
  'arrives-in-time': (check) => ({ says: `All ${check.count} parts arrive by ${check.neededBy}.` }),
  'offers-sound': (check) => ({
    says: `The prices of ${check.count} parts come from sellers that may be bought from, none too good.`,
  }),
  'seller-doubtful': (check) => ({
    says: `${listed(check.names)} ${check.names.length === 1 ? 'is' : 'are'} sold here only by ${check.seller}, a seller that is ${GRADE[check.grade]}.`,
    mend: 'Take another part, or lower the trust that the desk asks of sellers.',
  }),
  'over-list': (check) => ({
    says: `${check.name} costs ${coins(check.priceMinor, check.currency)}; its maker asks ${coins(check.listMinor, check.currency)}, and the brief pays up to ${coins(check.mostMinor, check.currency)}.`,
    mend: 'Wait, take another part, or raise the ceiling in the brief.',
  }),
  'too-good': (check) => ({
    says: `${check.name} for ${coins(check.priceMinor, check.currency)} at ${check.seller} is far below ${
      check.against === 'others' ? 'what the others ask' : "its maker's list price"
    }, ${coins(check.usualMinor, check.currency)}${check.few ? `, and the seller has ${check.few.ratings === undefined ? 'no ratings' : `only ${check.few.ratings} ratings`}; there is no other offer to take` : ''}.`,
    mend: 'Look at the offer again before you rely on it: the wrong part, no guarantee, or a seller to avoid.',
  }),
};
