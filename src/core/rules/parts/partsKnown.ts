import type { Rule } from '../rule';

export const partsKnown: Rule = {
  id: 'parts-known',
  reads: ['any part'],
  byIdentity: true,
  levels: ['unproven'],
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
