import { accessoryPurpose, cableUnsaid, cableUse } from '../../parts/purposes';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

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
    const perhaps = parts
      .ofKind('drive')
      .filter(({ part }) => part.interface === undefined && /^[235]/.test(part.form ?? ''));
    if (board && wired.length + perhaps.length > 0) {
      const added = accessories
        .filter(({ part }) => cableUse(part) === 'drive data')
        .reduce((sum, { part }) => sum + (part.outlets ?? 1), 0);
      const stated = (board.part.sataCables ?? 0) + added;
      const unsaid = accessories.flatMap((each) => {
        const field = cableUnsaid(each.part);
        return field ? [[each, field] as const] : [];
      });
      if (perhaps.length > 0 && stated >= wired.length && stated < wired.length + perhaps.length)
        checks.push(unknown('data-cables', ...perhaps.map((drive) => [drive, 'interface'] as const)));
      else if (stated < wired.length && unsaid.length > 0 && board.part.sataCables !== undefined)
        checks.push(unknown('data-cables', ...unsaid));
      else if (board.part.sataCables === undefined && added < wired.length)
        checks.push(unknown('board-cables', [board, 'sataCables']));
      else {
        const cables = (board.part.sataCables ?? 0) + added;
        checks.push({
          level: cables >= wired.length ? 'passes' : 'caution',
          code: 'data-cables',
          items: [],
          drives: wired.length,
          cables,
          adds: ['accessory'],
        });
      }
    }
    const cooler = parts.one('cooler');
    if (cooler) {
      const apart = accessories.some(({ part }) => accessoryPurpose(part) === 'paste');
      const { pasteIncluded } = cooler.part;
      const unsaid = [
        ...(pasteIncluded === undefined ? [[cooler, 'pasteIncluded'] as const] : []),
        ...accessories.flatMap((each) => (accessoryPurpose(each.part) ? [] : [[each, 'purpose'] as const])),
      ];
      if (pasteIncluded !== true && !apart && unsaid.length > 0)
        checks.push(unknown(pasteIncluded === undefined ? 'paste-included' : 'paste', ...unsaid));
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
