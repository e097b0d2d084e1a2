import type { FittedParts } from '../../model/fitted';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** End to end: one part without it and there is none. */
export const errorCorrection: Rule = {
  id: 'error-correction',
  reads: ['memory', 'board', 'processor'],
  levels: ['blocks', 'unproven', 'note'],
  check: ({ parts, brief }) => {
    const chain = [...parts.ofKind('processor'), ...parts.ofKind('board'), ...parts.ofKind('memory')];
    if (!brief.mustHaves.errorCorrection) return unused(parts);
    const unsure = chain.filter(({ part }) => part.errorCorrection === undefined);
    const without = chain.filter(({ part }) => part.errorCorrection === false);
    if (without.length === 0 && unsure.length > 0)
      return [unknown('error-correction', ...unsure.map((fitted) => [fitted, 'errorCorrection'] as const))];
    return [
      {
        level: without.length === 0 ? 'passes' : 'blocks',
        code: 'error-correction',
        items: idsOf(...(without.length > 0 ? without : chain)),
        without: without.map(nameOf),
      },
    ];
  },
};

/** Nobody asked for it, but it is paid for and does not work: worth a word. */
function unused(parts: FittedParts): Said[] {
  const kits = parts.ofKind('memory').filter(({ part }) => part.errorCorrection === true);
  const without = [...parts.ofKind('processor'), ...parts.ofKind('board')].filter(
    ({ part }) => part.errorCorrection === false,
  );
  if (kits.length === 0 || without.length === 0) return [];
  return [
    {
      level: 'note',
      code: 'correction-unused',
      items: idsOf(...kits),
      kits: kits.map(nameOf),
      without: without.map(nameOf),
    },
  ];
}
