import { nameOf, type Rule } from '../rule';

export const pricesKnown: Rule = {
  id: 'prices-known',
  reads: ['price', 'any part'],
  byIdentity: true,
  levels: ['unproven', 'note'],
  check: ({ parts, price, brief, machine }) => {
    const names = price.unpriced.map((id) => {
      const fitted = parts.all.find(({ item }) => item.id === id);
      return fitted ? nameOf(fitted) : (machine.items.find((item) => item.id === id)?.label ?? id);
    });
    // without a budget nothing is compared with the total, so the gap is only worth a note
    return [
      names.length === 0
        ? { level: 'passes', code: 'prices-known', items: [], count: price.items.length }
        : {
            level: brief.budgetMinor === undefined ? 'note' : 'unproven',
            code: 'price-unknown',
            items: [...price.unpriced],
            names,
          },
    ];
  },
};
