import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** A 2.5" drive goes into a 3.5" bay when its own are full. */
export const driveBays: Rule = {
  id: 'drive-bays',
  reads: ['drive', 'case'],
  figures: { drive: ['form'], case: ['bays25', 'bays35', 'opticalBays'] },
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const chassis = parts.one('case');
    const drives = parts.ofKind('drive');
    const large = drives.filter(({ part }) => part.form === '3.5"');
    const small = drives.filter(({ part }) => part.form === '2.5"');
    const optical = drives.filter(({ part }) => part.form === '5.25"');
    if (!chassis) return [];
    const checks: Said[] = drives
      .filter(({ part }) => part.form === undefined)
      .map((drive) => unknown('drive-needs-bay', [drive, 'form']));
    if (optical.length > 0) {
      const bays = chassis.part.opticalBays;
      checks.push(
        bays === undefined
          ? unknown('optical-bay', [chassis, 'opticalBays'])
          : {
              level: optical.length <= bays ? 'passes' : 'blocks',
              code: 'drive-bays',
              items: idsOf(...optical, chassis),
              size: '5.25"',
              drives: optical.length,
              bays,
              chassis: nameOf(chassis),
            },
      );
    }
    if (large.length + small.length === 0) return checks;
    const { bays35, bays25 } = chassis.part;
    if (bays35 === undefined || bays25 === undefined)
      return [
        ...checks,
        unknown(
          'drive-bays',
          ...(bays35 === undefined ? [[chassis, 'bays35'] as const] : []),
          ...(bays25 === undefined ? [[chassis, 'bays25'] as const] : []),
        ),
      ];
    if (large.length > 0)
      checks.push({
        level: large.length <= bays35 ? 'passes' : 'blocks',
        code: 'drive-bays',
        items: idsOf(...large, chassis),
        size: '3.5"',
        drives: large.length,
        bays: bays35,
        chassis: nameOf(chassis),
      });
    const room = bays25 + Math.max(0, bays35 - large.length);
    if (small.length > 0)
      checks.push({
        level: small.length <= room ? 'passes' : 'blocks',
        code: 'drive-bays',
        items: idsOf(...small, chassis),
        size: '2.5"',
        drives: small.length,
        bays: room,
        chassis: nameOf(chassis),
      });
    return checks;
  },
};
