import type { Board } from '../board/compile';
import type { Placement } from '../board/placement';
import type { FittedParts } from '../model/fitted';
import { missingOf } from '../model/unsaid';
import { deviceKey, resourceKey, type DriveRole, type Resource } from '../figures/resources';
import type { MemoryState } from '../memory/population';
import { GIB } from '../units/quantity';
import { driveFor } from '../work/flowEnds';
import { networksOf } from '../work/networks';
import type { Cards } from '../work/stage';
import { given, type Derivation } from '../figures/derive';
import { cardRate, cardsTogether, exchange, type CardResource } from './cardSupply';
import { drivesOf } from './driveSupply';
import { linksOf, uplinksOf, type LinkOf } from './linkSupply';
import { networkOf, networkRate } from './networkSupply';
import { memoryRoom, memoryTraffic } from './memorySupply';
import { processorRates, type ProcessorRates } from './processor';
import { NO_RATES, type Rates } from './rates';
import { own, type Supplied } from './supplied';

export type { Supplied } from './supplied';

export interface Supply {
  readonly of: (resource: Resource) => Supplied | undefined;
  readonly processor: ProcessorRates | undefined;
  /** Item ids that a resource's traffic passes on its way to memory, for shared uplinks. */
  readonly endOf: (resource: Resource) => { readonly item: string; readonly direction: 'up' | 'down' } | undefined;
  /**
   * Where a resource's traffic meets that of others: one way into or out of the device that serves it, so that the roles
   * of one drive share it, or the resource itself. Graphics inside the processor meet it in memory.
   */
  readonly meets: (resource: Resource) => readonly string[];
  /** What a drive or a network can take or give by itself; nothing for what its link alone bounds. */
  readonly deviceRate: (item: string, direction: 'up' | 'down', runBytes?: number) => Supplied | undefined;
  /** Arithmetic or memory rate of up to `max` cards, further ones at `gain`; nothing with less than two cards. */
  readonly cardsTogether: (resource: CardResource, cards: Cards) => Supplied | undefined;
  /** Average bytes/s of a run that writes so many bytes to a role's drive, its fast-write cache empty at the start. */
  readonly written: (role: DriveRole, bytes: number) => number | undefined;
  readonly memoryBytes: Supplied;
  readonly graphicsBytes: Supplied | undefined;
  /** Graphics inside the processor: what it holds lies in the machine's own memory. */
  readonly graphicsShareMemory: boolean;
  readonly uplinks: ReadonlyMap<string, Derivation>;
  readonly space: (role: DriveRole) => Supplied | undefined;
}

/** What parts are connected by: the links of devices and the uplinks that they share. */
export interface Wiring {
  readonly linkOf: LinkOf;
  readonly uplinks: ReadonlyMap<string, Derivation>;
}

/** Rates of everything in the machine, computed lazily and once. */
export const supplyOf = (
  parts: FittedParts,
  memory: MemoryState,
  board: Board | undefined,
  placement: Placement | undefined,
  rates: Rates = NO_RATES,
): Supply =>
  supplyOver(
    parts,
    memory,
    {
      linkOf: linksOf(board, placement),
      uplinks: uplinksOf(board, placement),
    },
    rates,
  );

/** The same over whatever wiring. */
export function supplyOver(parts: FittedParts, memory: MemoryState, { linkOf, uplinks }: Wiring, rates: Rates): Supply {
  const processor = parts.one('processor');
  const cores = processor && processorRates(processor.part);
  const card = parts.one('graphics');
  const integrated = processor?.part.integratedGraphics;
  const inside = integrated === 'none' ? undefined : integrated;
  const drives = drivesOf(parts, linkOf, rates);
  const networks = new Map(networksOf(parts).map((network) => [network.end, networkRate(network)]));
  const cache = new Map<Resource, Supplied | undefined>();

  const compute = (resource: Resource): Supplied | undefined => {
    switch (resource) {
      case 'cpu.serial':
      case 'cpu.parallel': {
        if (!processor || !cores) return undefined;
        const rate = resource === 'cpu.serial' ? cores.serial : cores.parallel(cores.threads);
        return { rate, missing: rate ? [] : missingOf(processor, ...cores.missing), items: [processor.item.id] };
      }
      case 'memory.traffic':
        return memoryTraffic(parts, memory, rates);
      case 'gpu.fp32':
        if (card) return cardRate(card, resource);
        return processor && inside && own(processor, 'integratedGraphics', inside.fp32Tflops, INSIDE, 'FLOP/s', 1e12);
      case 'gpu.traffic':
        // integrated graphics read and write the machine's own memory
        return card ? cardRate(card, resource) : compute('memory.traffic');
      case 'gpu.matrix':
      case 'gpu.fp64':
        return card && cardRate(card, resource);
      case 'gpu.exchange':
        return exchange(parts, linkOf);
      case 'gpu.in':
      case 'gpu.out':
        return card ? linkOf(card) : compute('memory.traffic');
      case 'engine.decode':
      case 'engine.encode':
        return {
          rate: given('engine seconds a second', 1, 's/s', 'standard', 'definition'),
          missing: [],
          items: [card ?? processor].flatMap((fitted) => (fitted ? [fitted.item.id] : [])),
        };
      case 'network':
        return networkOf(parts, linkOf);
      default: {
        const key = resourceKey(resource);
        return key.of === 'drive' ? drives.rate(key.role, key.direction) : undefined;
      }
    }
  };

  const endOf: Supply['endOf'] = (resource) => {
    if (resource === 'gpu.in' || resource === 'gpu.out')
      return card && { item: card.item.id, direction: resource === 'gpu.in' ? 'down' : 'up' };
    const key = resourceKey(resource);
    const fitted = key.of === 'drive' ? driveFor({ parts }, key.role) : undefined;
    return (
      fitted && { item: fitted.item.id, direction: key.of === 'drive' && key.direction === 'read' ? 'up' : 'down' }
    );
  };
  const meets: Supply['meets'] = (resource) => {
    const end = endOf(resource);
    if (end) return [deviceKey(end.item, end.direction)];
    // what cards send each other goes out of each and into each
    if (resource === 'gpu.exchange')
      return parts.ofKind('graphics').flatMap(({ item }) => [deviceKey(item.id, 'up'), deviceKey(item.id, 'down')]);
    if (!card && IN_MEMORY.has(resource)) return ['memory.traffic'];
    if (resource !== 'network') return [resource];
    // which way it goes is not said
    const [fastest] = networks.keys();
    return fastest === undefined ? [resource] : [deviceKey(fastest, 'up'), deviceKey(fastest, 'down')];
  };

  return {
    of: (resource) => {
      if (!cache.has(resource)) cache.set(resource, compute(resource));
      return cache.get(resource);
    },
    processor: cores,
    endOf,
    meets,
    deviceRate: (item, direction, runBytes = Infinity) =>
      drives.ofDevice(item, direction, runBytes) ?? networks.get(item),
    cardsTogether: (resource, cards) => cardsTogether(parts, linkOf, resource, cards),
    written: drives.written,
    memoryBytes: memoryRoom(parts, memory, 'all'),
    graphicsBytes: card
      ? own(card, 'memoryGiB', card.part.memoryGiB, 'graphics memory', 'B', GIB)
      : inside && memoryRoom(parts, memory, 'graphics'),
    graphicsShareMemory: !card && inside !== undefined,
    uplinks,
    space: drives.space,
  };
}

/** What graphics inside the processor read and write in the machine's own memory. */
export const IN_MEMORY: ReadonlySet<string> = new Set(['gpu.traffic', 'gpu.in', 'gpu.out']);

const INSIDE = 'FP32 rate of the integrated graphics';
