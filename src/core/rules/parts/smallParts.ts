import { accessoriesUnsaid, cablesUnsaid, missingOf } from '../../model/unsaid';
import { isDiskForm } from '../../parts/drive';
import { accessoryPurpose, cableUse } from '../../parts/purposes';
import { unknownFigures, idsOf, nameOf, type Said, type Rule } from '../rule';

/** What is forgotten most: a data cable a drive, and paste for the cooler. */
export const smallParts: Rule = {
  id: 'small-parts',
  reads: ['drive', 'board', 'accessory', 'cooler'],
  figures: { drive: ['interface', 'form'], board: ['sataCables'], cooler: ['pasteIncluded'] },
  levels: ['caution', 'unproven'],
  mendedBy: ['data cables'],
  check: ({ parts }) => {
    const checks: Said[] = [];
    const accessories = parts.ofKind('accessory');
    const board = parts.one('board');
    const wired = parts
      .ofKind('drive')
      .filter(({ part }) => part.interface === 'SATA' && part.form !== undefined && !part.form.startsWith('M.2'));
    // a drive of a disk's form whose interface is not stated may need one too
    const perhaps = parts.ofKind('drive').filter(({ part }) => part.interface === undefined && isDiskForm(part.form));
    if (board && wired.length + perhaps.length > 0) {
      const added = accessories
        .filter(({ part }) => cableUse(part) === 'drive data')
        .reduce((sum, { part }) => sum + (part.outlets ?? 1), 0);
      const stated = (board.part.sataCables ?? 0) + added;
      const unsaid = [
        ...(board.part.sataCables === undefined ? missingOf(board, 'sataCables') : []),
        ...cablesUnsaid(parts),
      ];
      if (perhaps.length > 0 && stated >= wired.length && stated < wired.length + perhaps.length)
        checks.push(
          unknownFigures(
            'data-cables',
            perhaps.flatMap((drive) => missingOf(drive, 'interface')),
          ),
        );
      else if (stated < wired.length && unsaid.length > 0)
        checks.push(unknownFigures(board.part.sataCables === undefined ? 'board-cables' : 'data-cables', unsaid));
      else
        checks.push({
          level: stated >= wired.length ? 'passes' : 'caution',
          code: 'data-cables',
          items: [],
          drives: wired.length,
          cables: stated,
          adds: ['accessory'],
        });
    }
    const cooler = parts.one('cooler');
    if (cooler) {
      const apart = accessories.some(({ part }) => accessoryPurpose(part) === 'paste');
      const { pasteIncluded } = cooler.part;
      const unsaid = [
        ...(pasteIncluded === undefined ? missingOf(cooler, 'pasteIncluded') : []),
        ...accessoriesUnsaid(parts),
      ];
      if (pasteIncluded !== true && !apart && unsaid.length > 0)
        checks.push(unknownFigures(pasteIncluded === undefined ? 'paste-included' : 'paste', unsaid));
      else
        checks.push({
          level: pasteIncluded || apart ? 'passes' : 'caution',
          code: 'paste',
          items: idsOf(cooler),
          cooler: nameOf(cooler),
          from: pasteIncluded ? 'cooler' : apart ? 'apart' : 'none',
          adds: ['accessory'],
        });
    }
    return checks;
  },
};
