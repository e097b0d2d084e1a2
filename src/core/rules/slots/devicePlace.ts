import { unknown, idsOf, nameOf, type Check, type Rule } from '../rule';

export const devicePlace: Rule = {
  id: 'device-place',
  holds: 'every card and drive has a slot',
  compares: 'devices with the slots of the board, rows of the case, lengths and exclusions',
  reads: ['graphics', 'expansion', 'board', 'case', 'wiring', 'any part'],
  levels: ['blocks', 'unproven'],
  source: 'exact placement search',
  check: ({ parts, devices, placement }) => {
    const board = parts.one('board');
    if (!board || devices.length === 0) return [];
    const nameById = new Map(parts.all.map((fitted) => [fitted.item.id, nameOf(fitted)]));
    if (!placement) return [unknown('device-place', 'which slots the cards and drives go into', [board, 'topology'])];
    const thin = [...parts.ofKind('graphics'), ...parts.ofKind('expansion')].filter(
      ({ part }) => part.slots === undefined,
    );
    const chassis = parts.one('case');
    return [
      ...thin.map((card) => unknown('device-place', 'how many slots the card covers', [card, 'slots'])),
      ...(chassis && chassis.part.expansionSlots === undefined
        ? [unknown('device-place', 'how many card slots the case has', [chassis, 'expansionSlots'])]
        : []),
      ...devices.map((device): Check => {
        const reason = placement.unplaced.get(device.id);
        return {
          rule: 'device-place',
          level: reason ? 'blocks' : 'passes',
          code: 'device-place',
          items: [device.id, ...(reason ? idsOf(board) : [])],
          device: nameById.get(device.id) ?? device.id,
          reason: reason ?? 'placed',
        };
      }),
    ];
  },
};
