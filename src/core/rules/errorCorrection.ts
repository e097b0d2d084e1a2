import { unknown, idsOf, nameOf, type Rule } from './rule';

/** End to end: one part without it and there is none. */
export const errorCorrection: Rule = {
  id: 'error-correction',
  holds: 'processor, board and every kit correct memory errors',
  compares: 'error correction of processor, board and kits with the brief',
  levels: ['blocks', 'unproven'],
  source: 'definition',
  check: ({ parts, brief }) => {
    if (!brief.mustHaves.errorCorrection) return [];
    const chain = [...parts.ofKind('processor'), ...parts.ofKind('board'), ...parts.ofKind('memory')];
    const unsure = chain.filter(({ part }) => part.errorCorrection === undefined);
    const without = chain.filter(({ part }) => part.errorCorrection === false);
    if (without.length === 0 && unsure.length > 0)
      return [
        unknown(
          'error-correction',
          'whether memory errors are corrected end to end',
          ...unsure.map((fitted) => [fitted, 'errorCorrection'] as const),
        ),
      ];
    return [
      {
        rule: 'error-correction',
        level: without.length === 0 ? 'passes' : 'blocks',
        code: 'error-correction',
        items: idsOf(...(without.length > 0 ? without : chain)),
        without: without.map(nameOf),
      },
    ];
  },
};
