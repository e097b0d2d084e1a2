import { onBudgetBasis } from '../../money/spent';
import type { Rule } from '../rule';

/** The budget is a demand like any other: over it is told, and blocks where the brief calls it firm. */
export const budget: Rule = {
  id: 'budget',
  reads: ['price', 'any part'],
  byIdentity: true,
  levels: ['blocks', 'caution'],
  saves: () => true,
  check: ({ brief, price, machine, parts, spent }) => {
    const { budgetMinor, budgetTaxIncluded, budgetFirm = false } = brief;
    if (budgetMinor === undefined || machine.items.length === 0) return [];
    const { total, lowerBound } = spent();
    const spentMinor = onBudgetBasis(total, brief);
    const over = spentMinor > budgetMinor;
    // what a lower bound keeps within is told by the rule about unknown prices
    if (!over && lowerBound) return [];
    return [
      {
        level: !over ? 'passes' : budgetFirm ? 'blocks' : 'caution',
        code: 'budget',
        subject: 'all',
        // whatever is bought may be bought cheaper
        items: over ? parts.all.filter(({ item }) => !item.owned).map(({ item }) => item.id) : [],
        spentMinor,
        budgetMinor,
        lowerBound,
        taxIncluded: budgetTaxIncluded,
        firm: budgetFirm,
        currency: price.currency,
      },
    ];
  },
};
