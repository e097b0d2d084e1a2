import { unknown, idsOf, nameOf, type Rule } from '../rule';

/** What the processor's own links take away from what the board promises. */
export const rootLinks: Rule = {
  id: 'root-links',
  holds: "the processor's own links are as fast and as many as the board's slots",
  compares: "generation and lanes of the board's slots at the processor with the processor's root links",
  reads: ['processor', 'board', 'wiring'],
  levels: ['note', 'unproven'],
  source: 'board topology; a link runs at the older generation of its ends',
  check: ({ parts, board }) => {
    const processor = parts.one('processor');
    const holder = parts.one('board');
    const specs = holder?.part.topology?.slots.filter((slot) => slot.on === 'cpu' && slot.kind !== 'sata') ?? [];
    if (!processor || !holder || !board || specs.length === 0) return [];
    const links = processor.part.rootLinks;
    if (links === undefined || links.length === 0)
      return [unknown('root-links', "how fast the processor's own links are", [processor, 'rootLinks'])];
    const entry = holder.part.processorFamilies?.find((family) => family.family === processor.part.family);
    const off = specs.filter((slot) => entry?.slotsOff?.includes(slot.id));
    const slower = specs.filter(
      (slot) => !off.includes(slot) && (board.slotById.get(slot.id)?.generation ?? 0) < (slot.generation ?? 0),
    );
    return [
      {
        rule: 'root-links',
        level: off.length + slower.length > 0 ? 'note' : 'passes',
        code: 'root-links',
        items: idsOf(processor, holder),
        processor: nameOf(processor),
        board: nameOf(holder),
        slower: slower.map((slot) => slot.label),
        generation: Math.max(...links.map((link) => link.generation)),
        off: off.map((slot) => slot.label),
      },
    ];
  },
};
