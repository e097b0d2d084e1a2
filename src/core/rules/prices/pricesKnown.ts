import { nameOf, type Rule } from '../rule';

export const pricesKnown: Rule = {
  id: 'prices-known',
  holds: 'every part that is not owned has an offer',
  compares: "parts with offers in the brief's region",
  reads: ['price', 'any part'],
  byIdentity: true,
  levels: ['unproven', 'note'],
  source: 'offers',
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
