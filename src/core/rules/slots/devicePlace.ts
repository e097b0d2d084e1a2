import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const devicePlace: Rule = {
  id: 'device-place',
  reads: ['graphics', 'expansion', 'board', 'case', 'wiring', 'any part'],
  levels: ['blocks', 'unproven'],
  mendedBy: ['another slot'],
  check: ({ parts, devices, placement }) => {
    const board = parts.one('board');
    if (!board || devices.length === 0) return [];
    const byId = new Map(parts.all.map((fitted) => [fitted.item.id, fitted]));
    if (!placement) return [unknown('placement', [board, 'topology'])];
    const thin = [...parts.ofKind('graphics'), ...parts.ofKind('expansion')].filter(
      ({ part }) => part.slots === undefined,
    );
    const chassis = parts.one('case');
    return [
      ...thin.map((card) => unknown('card-width', [card, 'slots'])),
      ...(chassis && chassis.part.expansionSlots === undefined
        ? [unknown('case-slots', [chassis, 'expansionSlots'])]
        : []),
      ...devices.map((device): Said => {
        const fitted = byId.get(device.id);
        if (device.unsaid && fitted) return unknown('drive-place', [fitted, device.unsaid]);
        const reason = placement.unplaced.get(device.id);
        return {
          level: reason ? 'blocks' : 'passes',
          code: 'device-place',
          items: [device.id, ...(reason ? idsOf(board) : [])],
          device: fitted ? nameOf(fitted) : device.id,
          reason: reason ?? 'placed',
        };
      }),
    ];
  },
};
