import { unknown, idsOf, nameOf, type Rule } from '../rule';

/** What the processor's own links take away from what the board promises. */
export const rootLinks: Rule = {
  id: 'root-links',
  reads: ['processor', 'board', 'wiring'],
  levels: ['note', 'unproven'],
  check: ({ parts, board }) => {
    const processor = parts.one('processor');
    const holder = parts.one('board');
    const specs = holder?.part.topology?.slots.filter((slot) => slot.on === 'cpu' && slot.kind !== 'sata') ?? [];
    if (!processor || !holder || !board || specs.length === 0) return [];
    const links = processor.part.rootLinks;
    if (links === undefined || links.length === 0) return [unknown('root-links', [processor, 'rootLinks'])];
    const entry = holder.part.processorFamilies?.find((family) => family.family === processor.part.family);
    const off = specs.filter((slot) => entry?.slotsOff?.includes(slot.id));
    const slower = specs.filter((slot) => {
      const wired = board.slotById.get(slot.id);
      return wired !== undefined && !off.includes(slot) && wired.generation < (slot.generation ?? 0);
    });
    // lanes by the widest mode, where a port is shared
    const most = (id: string, alone: number) => {
      const modes = board.sharedPorts.flatMap((port) => port.modes.flatMap((mode) => mode.lanes.get(id) ?? []));
      return modes.length > 0 ? Math.max(...modes) : alone;
    };
    const narrower = specs.flatMap((slot) => {
      const wired = board.slotById.get(slot.id);
      if (!wired || off.includes(slot)) return [];
      const shared = (holder.part.topology?.sharedPorts ?? []).flatMap((port) =>
        port.modes.flatMap((mode) => mode.lanes[slot.id] ?? []),
      );
      const [lanes, own] = [most(slot.id, wired.lanes), shared.length > 0 ? Math.max(...shared) : (slot.lanes ?? 0)];
      return lanes < own ? [{ slot: slot.label, lanes, own }] : [];
    });
    return [
      {
        level: off.length + slower.length + narrower.length > 0 ? 'note' : 'passes',
        code: 'root-links',
        items: idsOf(processor, holder),
        processor: nameOf(processor),
        board: nameOf(holder),
        slower: slower.map(({ id, label }) => ({ slot: label, generation: board.slotById.get(id)?.generation ?? 0 })),
        narrower,
        off: off.map((slot) => slot.label),
      },
    ];
  },
};
