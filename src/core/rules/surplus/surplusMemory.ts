import { kitGiB } from '../../parts/memory';
import { GIB } from '../../units/quantity';
import { idsOf, type Said, type Rule } from '../rule';
import { needOf } from './needs';
import { grown, SURPLUS, isLess } from './growth';

export const surplusMemory: Rule = {
  id: 'surplus-memory',
  reads: ['memory', 'memory state', 'sittings'],
  levels: ['note'],
  saves: ({ code }, from, to) => {
    if (from.kind !== 'memory' || to.kind !== 'memory') return false;
    const [had, has] = [kitGiB(from), kitGiB(to)];
    return code === 'surplus-memory'
      ? isLess(had, has)
      : isLess(from.rateMTs, to.rateMTs) && has !== undefined && !isLess(had, has);
  },
  check: ({ parts, memory, sittings, brief, catalogue }) => {
    const kits = parts.ofKind('memory');
    const checks: Said[] = [];
    const floor = Math.max(
      0,
      ...brief.tasks.flatMap((task) => catalogue.application(task.application ?? '')?.memoryGiB.recommended ?? []),
    );
    const held = needOf(sittings, 'memory');
    if (memory.bytes !== undefined && held !== undefined) {
      const years = brief.yearsOfService;
      const needsGib = Math.max(floor, (held / GIB) * grown(years));
      const hasGib = memory.bytes / GIB;
      checks.push({
        level: hasGib >= needsGib * SURPLUS.capacityMargin.value ? 'note' : 'passes',
        code: 'surplus-memory',
        items: idsOf(...kits),
        hasGib,
        needsGib,
        years,
      });
    }
    const standardMTs = Math.min(...kits.map(({ part }) => part.standardRateMTs ?? Infinity));
    const busiest = Math.max(0, ...sittings.map((sitting) => sitting.busy.get('memory.traffic') ?? 0));
    const { effectiveMTs: rateMTs } = memory;
    if (rateMTs !== undefined && Number.isFinite(standardMTs) && busiest > 0)
      checks.push({
        // what the standard rate would still leave free counts, not what the fast kit leaves free
        level:
          rateMTs > standardMTs && (busiest * rateMTs) / standardMTs < SURPLUS.quietTraffic.value ? 'note' : 'passes',
        code: 'surplus-rate',
        items: idsOf(...kits),
        rateMTs,
        standardMTs,
        busiest,
      });
    return checks;
  },
};
