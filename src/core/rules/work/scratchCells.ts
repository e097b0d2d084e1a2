import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** Scratch is written all day: cells that keep four bits wear and slow down, and a disk's head cannot keep up. */
export const scratchCells: Rule = {
  id: 'scratch-cells',
  holds: 'scratch lies on cells that are made for writing',
  compares: 'the cell kind of the drives in the scratch role',
  reads: ['drive'],
  levels: ['caution', 'unproven'],
  source: 'judgement: endurance and rate after the cache by cell kind',
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
