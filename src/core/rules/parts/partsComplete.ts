import type { AnyFitted } from '../../model/fitted';
import type { PartKind } from '../../parts';
import { keepingDrives } from '../../work/flowEnds';
import { unknown, idsOf, type Said, type Rule } from '../rule';

/** Kinds that no machine goes without. */
export const ESSENTIAL = [
  'processor',
  'board',
  'memory',
  'drive',
  'supply',
  'case',
] as const satisfies readonly PartKind[];
const SINGLE = ['board', 'supply', 'case', 'cooler'] as const satisfies readonly PartKind[];

export const partsComplete: Rule = {
  id: 'parts-complete',
  reads: ['processor', 'board', 'memory', 'drive', 'supply', 'case', 'cooler'],
  figures: {
    processor: ['coolerIncluded'],
    board: [],
    memory: [],
    drive: ['cellKind'],
    supply: [],
    case: [],
    cooler: [],
  },
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const checks: Said[] = [];
    const missing = (kind: PartKind): Said => ({
      level: 'blocks',
      code: 'part-missing',
      subject: kind,
      items: [],
      kind,
      adds: [kind],
    });
    for (const kind of ESSENTIAL)
      if ((kind === 'drive' ? keepingDrives(parts) : parts.ofKind(kind)).length === 0) checks.push(missing(kind));
    const processor = parts.one('processor');
    if (processor && parts.ofKind('cooler').length === 0) {
      if (processor.part.coolerIncluded === undefined)
        checks.push(unknown('cooler-included', [processor, 'coolerIncluded']));
      else if (!processor.part.coolerIncluded) checks.push(missing('cooler'));
    }
    for (const kind of SINGLE) {
      const fitted: readonly AnyFitted[] = parts.ofKind(kind);
      if (fitted.length > 1)
        checks.push({
          level: 'blocks',
          code: 'part-count',
          subject: kind,
          items: idsOf(...fitted),
          kind,
          count: fitted.length,
          fits: 1,
        });
    }
    const processors = parts.ofKind('processor');
    if (processors.length > 1)
      checks.push({
        level: 'blocks',
        code: 'part-count',
        subject: 'processor',
        items: idsOf(...processors),
        kind: 'processor',
        count: processors.length,
        fits: 1,
      });
    return checks.length > 0
      ? checks
      : [{ level: 'passes', code: 'parts-complete', items: [], kinds: ESSENTIAL.length + 1 }];
  },
};
