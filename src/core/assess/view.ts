import { partsOf, type FittedParts } from '../model/fitted';
import type { PartKind } from '../parts';
import { sameArgs } from './keep';

/** Groups of kinds that stages read: what is wired to the board, and what stands in the case. */
export const VIEWS = {
  /** What trades ask for: what computes, and of the others which drives there are and what the machine is joined by. */
  computes: ['processor', 'graphics'],
  joined: ['expansion', 'board', 'mixer'],
  stored: ['drive'],
  bare: ['processor', 'board'],
  seated: ['processor', 'board', 'memory'],
  /** What sits in slots of the board. */
  slotted: ['graphics', 'expansion', 'drive', 'accessory'],
  wired: ['processor', 'board', 'memory', 'graphics', 'expansion', 'drive', 'accessory', 'mixer'],
  built: [
    'processor',
    'board',
    'memory',
    'graphics',
    'expansion',
    'drive',
    'accessory',
    'mixer',
    'case',
    'cooler',
    'fan',
    'supply',
  ],
} as const satisfies Readonly<Record<string, readonly PartKind[]>>;
export type ViewName = keyof typeof VIEWS;

const kindsOf = Object.fromEntries(
  Object.entries(VIEWS).map(([name, kinds]) => [name, new Set<PartKind>(kinds)]),
) as unknown as Readonly<Record<ViewName, ReadonlySet<PartKind>>>;

/** A machine's parts of one group; nothing else of the machine can be read through it. */
export const viewOf = (parts: FittedParts, name: ViewName): FittedParts => partsOf(parts, kindsOf[name]);

/**
 * Gives the same object for the same parts: all of a machine's, or of a group of kinds, so that whatever
 * reads them may be remembered by it.
 */
export interface Views {
  readonly whole: (parts: FittedParts) => FittedParts;
  readonly of: (parts: FittedParts, name: ViewName) => FittedParts;
}

/** Remembers the last few of each. */
export function keptViews(entries = 3): Views {
  const wholes: FittedParts[] = [];
  const views = new Map<ViewName, FittedParts[]>();
  const remember = <T>(among: T[], fresh: T, same: (known: T) => boolean): T => {
    const at = among.findIndex(same);
    const [found] = at < 0 ? [fresh] : among.splice(at, 1);
    among.unshift(found ?? fresh);
    if (among.length > entries) among.pop();
    return found ?? fresh;
  };
  const sameParts = (fresh: FittedParts) => (known: FittedParts) =>
    sameArgs(known.all, fresh.all) && sameArgs(known.gone, fresh.gone);
  return {
    whole: (parts) => remember(wholes, parts, sameParts(parts)),
    of: (parts, name) => {
      let among = views.get(name);
      if (!among) views.set(name, (among = []));
      const fresh = viewOf(parts, name);
      return remember(among, fresh, sameParts(fresh));
    },
  };
}
