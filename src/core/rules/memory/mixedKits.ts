import { idsOf, nameOf, type Rule } from '../rule';

export const mixedKits: Rule = {
  id: 'mixed-kits',
  reads: ['memory'],
  levels: ['caution', 'note'],
  check: ({ parts }) => {
    const kits = parts.ofKind('memory');
    if (kits.length === 0) return [];
    if (kits.length === 1)
      return [
        {
          level: 'passes',
          code: 'mixed-kits',
          items: idsOf(...kits),
          kits: kits.map(nameOf),
          count: 1,
        },
      ];
    const names = [...new Set(kits.map(nameOf))];
    return [
      {
        // two kits of one number are of one make, but each was tested by itself
        level: names.length > 1 ? 'caution' : 'note',
        code: 'mixed-kits',
        items: idsOf(...kits),
        kits: names,
        count: kits.length,
      },
    ];
  },
};
