import { applicationsOf } from '../../model/catalogue';
import { COMMON } from '../../work/common';
import { GIB } from '../../units/quantity';
import { unknown, idsOf, type Said, type Rule } from '../rule';

/**
 * A published minimum is where trouble begins, so between minimum and recommended is a caution; what reaches the
 * recommended figure without the margin that the sizes ask for is worth a note.
 */
export const applicationFloor: Rule = {
  id: 'application-floor',
  reads: ['memory', 'graphics', 'memory state'],
  levels: ['blocks', 'unproven', 'caution', 'note'],
  check: ({ parts, brief, catalogue, memory }) => {
    const checks: Said[] = [];
    const compare = (
      application: string,
      what: 'memory' | 'graphics memory',
      hasGib: number,
      floor: { minimum: number; recommended: number },
      items: string[],
    ) =>
      checks.push({
        level:
          hasGib < floor.minimum
            ? 'blocks'
            : hasGib < floor.recommended
              ? 'caution'
              : hasGib < floor.recommended * COMMON.floorMargin.value
                ? 'note'
                : 'passes',
        code: 'memory-floor',
        subject: `${what} ${application}`,
        items,
        application,
        what,
        hasGib,
        minimumGib: floor.minimum,
        recommendedGib: floor.recommended,
        withMarginGib: floor.recommended * COMMON.floorMargin.value,
        ...(what === 'memory' ? { adds: ['memory'] as const } : {}),
      });
    for (const profile of applicationsOf(brief.tasks, catalogue)) {
      if (memory.bytes !== undefined)
        compare(profile.name, 'memory', memory.bytes / GIB, profile.memoryGiB, idsOf(...parts.ofKind('memory')));
      const card = parts.one('graphics');
      if (!card || profile.effects !== 'graphics') continue;
      if (card.part.memoryGiB === undefined)
        checks.push(unknown(['application-graphics-memory', profile.name], [card, 'memoryGiB']));
      else compare(profile.name, 'graphics memory', card.part.memoryGiB, profile.graphicsMemoryGiB, idsOf(card));
    }
    return checks;
  },
};
