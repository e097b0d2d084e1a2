import type { MemoryFigures } from '../../rules/memory/figures';
import { counting, listed, number } from '../format';
import { fails, type WordsOf } from './words';

export const memoryWords: WordsOf<MemoryFigures> = {
  'memory-generation': (check) =>
    fails(check)
      ? {
          says: `${check.kit} is ${check.generation}; ${check.against} takes ${check.wants || 'none of this'}.`,
          mend: 'Take memory and a board of one generation.',
        }
      : { says: `${check.kit} is ${check.generation}, as ${check.against} takes.` },
  'module-kind': (check) =>
    fails(check)
      ? {
          says: `${check.kit} has ${check.moduleKind} modules; ${check.against} takes ${check.wants} ones.`,
          mend: `Take a kit of ${check.wants} modules.`,
        }
      : { says: `${check.kit} has ${check.moduleKind} modules, as ${check.against} takes.` },
  'profile-kind': (check) =>
    fails(check)
      ? {
          says: `${check.kit} keeps its rate in an ${check.profile} profile; ${check.board} reads ${check.reads}${check.effectiveMTs ? `, so it runs at ${check.effectiveMTs} MT/s` : ''}.`,
          mend: `Take a kit with an ${check.reads} profile, or count on the standard rate.`,
        }
      : { says: `${check.board} reads the ${check.profile} profile of ${check.kit}.` },
  'memory-slots': (check) => ({
    says: `${counting(check.modules, 'module')}, ${counting(check.slots, 'memory slot')} on ${check.board}.`,
    ...(fails(check) ? { mend: 'Take fewer, larger modules or a board with more slots.' } : {}),
  }),
  'module-capacity': (check) => ({
    says: `${check.kit} has modules of ${check.gib} GB; a slot of ${check.board} takes up to ${check.limitGib} GB.`,
    ...(fails(check) ? { mend: 'Take smaller modules.' } : {}),
  }),
  'memory-capacity': (check) => ({
    says: `${number(check.gib)} GB of memory; ${check.against} addresses up to ${check.limitGib} GB.`,
    ...(fails(check) ? { mend: 'Take less memory or a larger platform.' } : {}),
  }),
  'memory-channels': (check) => {
    const spread = (check.spread ?? []).filter((part) => part.gib > 0);
    const rates =
      spread.length > 0
        ? ` ${listed(spread.map((part) => `${number(part.gib)} GB at ${number(part.bandwidthBytesPerS / 1e9)} GB/s over ${part.channels} ${part.channels === 1 ? 'channel' : 'channels'}`))}.`
        : '';
    return fails(check)
      ? {
          says: `${check.populated} of ${check.channels} memory channels ${check.populated === 1 ? 'is' : 'are'} populated${check.populated === check.channels ? ', unequally' : ''}, which costs bandwidth.${rates}`,
          mend: `Fill all ${check.channels} channels alike.`,
        }
      : { says: `All ${check.channels} memory channels are populated alike.${rates}` };
  },
  'memory-rate': (check) =>
    check.level === 'caution'
      ? {
          says: `The memory runs at ${check.effectiveMTs} MT/s; in this population the processor supports ${check.processorMTs}, the board ${check.boardMTs} MT/s.`,
          mend: `It may run and has to be tried: count on a memory test, turn the profile off, or take a kit of ${Math.min(check.processorMTs, check.boardMTs)} MT/s.`,
        }
      : check.level === 'note'
        ? {
            says: `The kit's profile is ${check.profileMTs} MT/s; it runs at ${check.effectiveMTs} MT/s here.`,
            mend: 'A slower kit would do the same.',
          }
        : {
            says: `The memory runs at ${check.effectiveMTs} MT/s; the processor supports ${check.processorMTs}, the board ${check.boardMTs} MT/s.`,
          },
  'mixed-kits': (check) =>
    check.count === 1
      ? { says: `All memory is one kit, ${check.kits[0] ?? ''}.` }
      : check.kits.length > 1
        ? {
            says: `${listed(check.kits)} were not tested together; the slowest rate and the longest timings hold for all.`,
            mend: 'Take one kit of the full capacity.',
          }
        : {
            says: `${check.count} kits of ${check.kits[0] ?? 'one kind'}: each was tested by itself, not together.`,
            mend: 'One kit of the full capacity is tested as a whole.',
          },
  'error-correction': (check) =>
    fails(check)
      ? {
          says: `The brief asks for error-correcting memory; ${listed(check.without)} ${check.without.length > 1 ? 'do' : 'does'} not have it.`,
          mend: 'Processor, board and every kit must have it.',
        }
      : { says: 'Processor, board and memory correct errors, end to end.' },
  'memory-order': (check) => {
    if (!fails(check))
      return { says: `The modules go into ${listed(check.seats)}, which ${check.board} wants filled first.` };
    if (check.bad.length > 0)
      return {
        says: `Modules are set into ${listed(check.bad)}, which ${check.board} does not have free.`,
        mend: 'Let the fill order seat them.',
      };
    return {
      says: `The modules sit in ${listed(check.seats)}; ${check.board} wants ${listed(check.wanted)} filled first.`,
      mend: `Move them to ${listed(check.wanted)}.`,
    };
  },
  'tested-memory': (check) => {
    if (fails(check))
      return {
        says: `${check.kit} stands on neither tested list with ${check.board}.`,
        mend: 'Count on a memory test after assembly, or take a kit that was tested.',
      };
    if (check.byBoard && check.byKit) return { says: `Both makers tested ${check.kit} with ${check.board}.` };
    return {
      says: `${check.kit} was tested with ${check.board} by the ${check.byBoard ? "board's maker" : "memory's maker"}${(check.byBoard ? check.byKit : check.byBoard) === undefined ? "; the other's list is not known" : ", not by the other's list"}.`,
    };
  },
  'correction-unused': (check) => ({
    says: `${listed(check.kits)} ${check.kits.length > 1 ? 'correct' : 'corrects'} errors, and ${listed(check.without)} ${check.without.length > 1 ? 'do' : 'does'} not: it is paid for and does not work.`,
    mend: 'Take plain memory, or a processor and board that use it.',
  }),
};
