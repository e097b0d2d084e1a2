import type { MemoryFigures } from '../../rules/memory/figures';
import { listed } from '../format';
import { fails, type CheckOf, type Words } from './words';

export function memoryWords(check: CheckOf<MemoryFigures>): Words {
  const bad = fails(check);
  switch (check.code) {
    case 'memory-order':
      if (!bad) return { says: `The modules go into ${listed(check.seats)}, which ${check.board} wants filled first.` };
      if (check.bad.length > 0)
        return {
          says: `Modules are set into ${listed(check.bad)}, which ${check.board} does not have free.`,
          mend: 'Let the fill order seat them.',
        };
      return {
        says: `The modules sit in ${listed(check.seats)}; ${check.board} wants ${listed(check.wanted)} filled first.`,
        mend: `Move them to ${listed(check.wanted)}.`,
      };
    case 'tested-memory':
      if (bad)
        return {
          says: `${check.kit} stands on neither tested list with ${check.board}.`,
          mend: 'Count on a memory test after assembly, or take a kit that was tested.',
        };
      if (check.byBoard && check.byKit) return { says: `Both makers tested ${check.kit} with ${check.board}.` };
      return {
        says: `${check.kit} was tested with ${check.board} by the ${check.byBoard ? "board's maker" : "memory's maker"}${(check.byBoard ? check.byKit : check.byBoard) === undefined ? "; the other's list is not known" : ", not by the other's list"}.`,
      };
    case 'correction-unused':
      return {
        says: `${listed(check.kits)} ${check.kits.length > 1 ? 'correct' : 'corrects'} errors, and ${listed(check.without)} ${check.without.length > 1 ? 'do' : 'does'} not: it is paid for and does not work.`,
        mend: 'Take plain memory, or a processor and board that use it.',
      };
  }
}
