import { unknown, idsOf, nameOf, type Rule } from '../rule';
import { liquidCooler } from './liquid';

export const radiatorMount: Rule = {
  id: 'radiator-mount',
  reads: ['cooler', 'case'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const liquid = liquidCooler(parts);
    const chassis = parts.one('case');
    if (!liquid || !chassis) return [];
    const { cooler, sure } = liquid;
    if (!sure) return [unknown('radiator', [cooler, 'type'])];
    const { radiatorMm } = cooler.part;
    const { mounts } = chassis.part;
    if (radiatorMm === undefined || mounts === undefined)
      return [
        unknown(
          'radiator-mount',
          ...(radiatorMm === undefined ? [[cooler, 'radiatorMm'] as const] : []),
          ...(mounts === undefined ? [[chassis, 'mounts'] as const] : []),
        ),
      ];
    const sides = mounts.filter((mount) => mount.radiatorsMm?.includes(radiatorMm)).map((mount) => mount.side);
    return [
      {
        level: sides.length > 0 ? 'passes' : 'blocks',
        code: 'radiator',
        items: idsOf(cooler, chassis),
        cooler: nameOf(cooler),
        radiatorMm,
        chassis: nameOf(chassis),
        sides,
      },
    ];
  },
};
