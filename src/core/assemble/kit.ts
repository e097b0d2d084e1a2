import type { Assessment } from '../assess';
import type { CableWay } from './cableWays';
import type { Plan, StepCode } from './steps';

export type Tool = 'screwdriver' | 'small screwdriver' | 'standoff key' | 'earthing strap' | 'lamp' | 'side cutter';
export type Consumable = 'extension' | 'paste' | 'cloth and alcohol' | 'cable ties' | 'usb stick';
export type Kept =
  'socket cover' | 'standoffs' | 'unused cables' | 'slot brackets' | 'screws and clasps' | 'other kits';

/** What lies ready before the first step, and what is not thrown away after the last. */
export interface Kit {
  readonly tools: readonly Tool[];
  readonly consumables: readonly Consumable[];
  readonly keep: readonly Kept[];
}

const TOOLS: Readonly<Partial<Record<StepCode, readonly Tool[]>>> = {
  'prepare-case': ['screwdriver', 'standoff key'],
  'board-drive': ['small screwdriver'],
  'cooler-kit': ['screwdriver'],
  processor: ['lamp', 'earthing strap'],
  'power-cable': ['side cutter'],
};

/** Tools, consumables and what is kept, from the steps and parts of one machine. */
export function kitOf(
  { facts }: Pick<Assessment, 'facts'>,
  plan: Pick<Plan, 'steps'>,
  ways: ReadonlyMap<string, CableWay>,
  flashes: boolean,
): Kit {
  const codes = new Set(plan.steps.map(({ code }) => code));
  const { parts } = facts;
  const cooler = parts.one('cooler');
  const pasteThere =
    cooler?.part.pasteIncluded === true || parts.ofKind('accessory').some(({ part }) => part.purpose === 'paste');
  const tools = new Set([...codes].flatMap((code) => TOOLS[code] ?? []));
  return {
    tools: [...tools],
    consumables: [
      ...([...ways.values()].some(({ reach }) => reach === 'short') ? (['extension'] as const) : []),
      ...(codes.has('cooler') && !pasteThere ? (['paste'] as const) : []),
      ...(parts.all.some(({ item, part }) => item.owned && (part.kind === 'cooler' || part.kind === 'processor'))
        ? (['cloth and alcohol'] as const)
        : []),
      ...(codes.has('power-cable') ? (['cable ties'] as const) : []),
      ...(flashes ? (['usb stick'] as const) : []),
    ],
    keep: [
      ...(codes.has('processor') ? (['socket cover'] as const) : []),
      ...(codes.has('prepare-case') ? (['standoffs', 'screws and clasps'] as const) : []),
      // unknown may be: they must never go with another's
      ...(parts.one('supply') && parts.one('supply')?.part.modular !== false ? (['unused cables'] as const) : []),
      ...(codes.has('card') ? (['slot brackets'] as const) : []),
      ...((cooler?.part.sockets?.length ?? 0) > 1 ? (['other kits'] as const) : []),
    ],
  };
}
