import { idsOf, nameOf, type Rule } from './rule';

export const mixedKits: Rule = {
  id: 'mixed-kits',
  holds: 'all memory is of one part number',
  compares: 'the part numbers of the kits',
  levels: ['caution'],
  source: 'judgement: modules of two kits are not tested together',
  check: ({ parts }) => {
    const kits = parts.ofKind('memory');
    if (kits.length < 2) return [];
    const names = [...new Set(kits.map(nameOf))];
    return [
      {
        rule: 'mixed-kits',
        level: names.length > 1 ? 'caution' : 'passes',
        code: 'mixed-kits',
        items: idsOf(...kits),
        kits: names,
      },
    ];
  },
};
