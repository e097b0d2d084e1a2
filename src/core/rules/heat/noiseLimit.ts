import { loudestOf } from '../../heat/state';
import { nameOf, unknownFigures, type Said, type Rule } from '../rule';

export const noiseLimit: Rule = {
  id: 'noise-limit',
  reads: ['any part', 'heat'],
  levels: ['caution', 'unproven'],
  mendedBy: ['air and limits'],
  check: ({ parts, heat, brief }) => {
    const limitDbA = brief.mustHaves.noiseDbA;
    if (limitDbA === undefined) return [];
    const loudest = loudestOf(heat.sittings);
    if (!loudest) return [];
    const { dbA, sources, missing } = loudest.noise;
    const source = parts.all.find(({ item }) => item.id === sources[0]?.item);
    const checks: Said[] = [];
    if (missing.length > 0 && dbA <= limitDbA) checks.push(unknownFigures('loudness', missing));
    if (dbA > limitDbA || missing.length === 0)
      checks.push({
        level: dbA > limitDbA ? 'caution' : 'passes',
        code: 'noise',
        items: [...new Set(sources.slice(0, 3).map((entry) => entry.item))],
        dbA,
        limitDbA,
        sitting: brief.sittings.find((sitting) => sitting.id === loudest.sitting)?.name,
        loudest: source && nameOf(source),
      });
    return checks;
  },
};
