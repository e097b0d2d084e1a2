import { GIB } from '../../units/quantity';
import { idsOf, nameOf, type Said, type Rule } from '../rule';
import { displaysOf } from '../ports/displays';
import { grown, SURPLUS, isLess } from './growth';
import { needOf } from './needs';

/** Outputs beyond this are for more displays than anyone will add to a desk. */
const SPARE_OUTPUTS = 4;

export const surplusGraphics: Rule = {
  id: 'surplus-graphics',
  reads: ['graphics', 'display', 'sittings'],
  levels: ['note'],
  saves: ({ code }, from, to) =>
    code !== 'surplus-graphics-memory' ||
    (from.kind === 'graphics' && to.kind === 'graphics' && isLess(from.memoryGiB, to.memoryGiB)),
  check: ({ parts, sittings, brief, catalogue }) => {
    const card = parts.one('graphics');
    if (!card) return [];
    const checks: Said[] = [];
    const { memoryGiB: hasGib, outputs } = card.part;
    const held = needOf(sittings, 'graphics memory');
    if (hasGib !== undefined && held !== undefined) {
      const years = brief.yearsOfService;
      const floor = Math.max(
        0,
        ...brief.tasks.flatMap(
          (task) => catalogue.application(task.application ?? '')?.graphicsMemoryGiB.recommended ?? [],
        ),
      );
      const needsGib = Math.max(floor, (held / GIB) * grown(years));
      checks.push({
        level: hasGib > needsGib * SURPLUS.capacityMargin.value ? 'note' : 'passes',
        code: 'surplus-graphics-memory',
        items: idsOf(card),
        card: nameOf(card),
        hasGib,
        needsGib,
        years,
      });
    }
    const needs = Math.max(displaysOf(parts, brief, catalogue).length, brief.mustHaves.displays ?? 0);
    if (outputs && needs > 0) {
      const has = outputs.reduce((sum, output) => sum + output.count, 0);
      checks.push({
        level: has > needs + SPARE_OUTPUTS ? 'note' : 'passes',
        code: 'surplus-port',
        items: idsOf(card),
        card: nameOf(card),
        has,
        needs,
        what: 'displays',
      });
    }
    return checks;
  },
};
