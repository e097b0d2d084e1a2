import type { Rule } from '../rule';

export const partsKnown: Rule = {
  id: 'parts-known',
  holds: 'every part is in the catalogue',
  compares: 'the machine against the catalogue',
  reads: ['any part'],
  byIdentity: true,
  levels: ['unproven'],
  source: 'definition',
  check: ({ parts }) =>
    parts.gone.length === 0
      ? [{ level: 'passes', code: 'parts-known', items: [], count: parts.all.length }]
      : parts.gone.map((item) => ({
          level: 'unproven',
          code: 'part-gone',
          items: [item.id],
          label: item.label ?? item.part,
        })),
};
