import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** Scratch is written all day: cells that keep four bits wear and slow down, and a disk's head cannot keep up. */
export const scratchCells: Rule = {
  id: 'scratch-cells',
  reads: ['drive'],
  figures: { drive: ['cellKind'] },
  levels: ['caution', 'unproven'],
  check: ({ parts }) =>
    parts
      .ofKind('drive')
      .filter(({ item }) => item.roles?.includes('scratch'))
      .map((drive): Said => {
        const { cellKind } = drive.part;
        if (cellKind === undefined) return unknown('scratch-cells', [drive, 'cellKind']);
        return {
          level: cellKind === 'QLC' || cellKind === 'magnetic' || cellKind === 'optical' ? 'caution' : 'passes',
          code: 'scratch-cells',
          items: idsOf(drive),
          drive: nameOf(drive),
          cells: cellKind,
        };
      }),
};
