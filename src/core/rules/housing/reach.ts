import { coversOf, mustComeOff } from '../../clearance/reach';
import { nameOf, type Check, type Rule } from '../rule';

export const reach: Rule = {
  id: 'reach',
  holds: 'drives can be reached without taking a card or the cooler out, where the brief asks for it',
  compares: 'what lies over each drive, seen from the open side',
  reads: ['drive', 'board', 'any part', 'geometry', 'wiring'],
  levels: ['caution', 'unproven'],
  source: 'geometry',
  check: ({ parts, scene, brief, placement }) => {
    if (!brief.mustHaves.drivesReachable || !scene) return [];
    const covers = coversOf(scene);
    const board = parts.one('board');
    return parts.ofKind('drive').map((drive): Check => {
      const slot = placement?.placed.get(drive.item.id)?.slot;
      const spec = board?.part.topology?.slots.find((entry) => entry.id === slot);
      if (board && spec?.kind === 'm2' && spec.atRow === undefined)
        return {
          rule: 'reach',
          level: 'unproven',
          code: 'unknown-figure',
          about: `where ${spec.label} lies on the board, so what lies over the drive in it`,
          items: [board.item.id],
          missing: [{ item: board.item.id, part: board.part.id, field: 'topology' }],
        };
      const over = mustComeOff(covers, drive.item.id).flatMap(
        (id) => parts.all.find((fitted) => fitted.item.id === id) ?? [],
      );
      const inTheWay = over.filter(({ part }) => ['graphics', 'expansion', 'cooler'].includes(part.kind));
      return {
        rule: 'reach',
        level: inTheWay.length > 0 ? 'caution' : 'passes',
        code: 'reach',
        items: [drive.item.id, ...inTheWay.map(({ item }) => item.id)],
        drive: nameOf(drive),
        comesOff: inTheWay.map(nameOf),
      };
    });
  },
};
