import { coversOf, mustComeOff } from '../../clearance/reach';
import { nameOf, unknown, type Said, type Rule } from '../rule';

export const reach: Rule = {
  id: 'reach',
  reads: ['drive', 'board', 'any part', 'geometry', 'wiring'],
  levels: ['caution', 'unproven'],
  mendedBy: ['another slot', 'standing upright'],
  check: ({ parts, scene, brief, placement }) => {
    if (!brief.mustHaves.drivesReachable || !scene) return [];
    const covers = coversOf(scene);
    const board = parts.one('board');
    return parts.ofKind('drive').map((drive): Said => {
      const slot = placement?.placed.get(drive.item.id)?.slot;
      const spec = board?.part.topology?.slots.find((entry) => entry.id === slot);
      if (board && spec?.kind === 'm2' && spec.atRow === undefined)
        return unknown(['slot-lies', spec.label], [board, 'topology']);
      const over = mustComeOff(covers, drive.item.id).flatMap(
        (id) => parts.all.find((fitted) => fitted.item.id === id) ?? [],
      );
      const inTheWay = over.filter(({ part }) => ['graphics', 'expansion', 'cooler'].includes(part.kind));
      return {
        level: inTheWay.length > 0 ? 'caution' : 'passes',
        code: 'reach',
        items: [drive.item.id, ...inTheWay.map(({ item }) => item.id)],
        drive: nameOf(drive),
        comesOff: inTheWay.map(nameOf),
      };
    });
  },
};
