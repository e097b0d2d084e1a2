import type { DriveRole } from '../../figures/resources';
import { grown } from '../../predict/endurance';
import { leftOn, systemsOwn } from '../../predict/kept';
import { servingDrives } from '../../predict/writes';
import { keepingDrives } from '../../work/flowEnds';
import { unknown, idsOf, type Said, type Rule } from '../rule';

const KEPT: readonly DriveRole[] = ['active', 'archive'];

/** One copy is none: what is kept twice lies on a second drive that has room for it. */
export const copies: Rule = {
  id: 'copies',
  reads: ['drive', 'what is kept'],
  levels: ['blocks', 'unproven', 'note'],
  check: ({ parts, brief, kept }) => {
    const { keeping = 'one', growthPercent = 0, yearsOfService } = brief;
    if (keeping === 'one' || keepingDrives(parts).length === 0) return [];
    const now = KEPT.reduce((all, role) => all + (kept.get(role)?.value ?? 0), 0);
    const keptGB = grown(now, growthPercent / 100, yearsOfService) / 1e9;
    if (keptGB <= 0) return [];
    if (brief.secondCopy === 'server')
      return [{ level: 'note', code: 'copies-elsewhere', items: [], keptGB, where: 'server' }];
    // a drive that keeps the work itself is no second place, whatever else it is called
    const second = keepingDrives(parts).filter(
      ({ item }) => item.roles?.includes('backup') && !KEPT.some((role) => item.roles?.includes(role)),
    );
    // what else lies on them, a cache or the system, leaves so much less
    const others = [...kept].flatMap(([role, { value: bytes }]) =>
      KEPT.includes(role) || role === 'backup' ? [] : [{ drives: servingDrives(parts, role), bytes }],
    );
    const roomGB = leftOn(second, [...systemsOwn(parts), ...others], 0) / 1e9;
    const vague = second.filter(({ part }) => part.capacityGB === undefined);
    if (roomGB < keptGB && vague.length > 0)
      return [unknown('second-copy', ...vague.map((drive) => [drive, 'capacityGB'] as const))];
    const checks: Said[] = [
      {
        level: roomGB >= keptGB ? 'passes' : 'blocks',
        code: 'copies',
        items: idsOf(...second),
        keeping,
        keptGB,
        roomGB,
        drives: second.length,
        adds: ['drive'],
      },
    ];
    return keeping === 'three'
      ? [...checks, { level: 'note', code: 'copies-elsewhere', items: [], keptGB, where: 'elsewhere' }]
      : checks;
  },
};
