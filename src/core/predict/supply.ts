import type { Board } from '../board/compile';
import type { Placement } from '../board/placement';
import { fullName, type AnyFitted, type FittedParts } from '../model/fitted';
import { DRIVE_ROLES, type DriveRole, type Resource } from '../figures/resources';
import type { PartOf } from '../parts';
import type { MemoryState } from '../memory/population';
import { GIB } from '../units/quantity';
import { COMMON } from '../work/common';
import { driveFor, keepingDrives, networkCards } from '../work/flowEnds';
import type { MissingFigure } from '../figures/missing';
import type { Cards } from '../work/stage';
import { NO_RATES, taughtRate, type Rates, type TaughtRate } from './rates';
import { fromConstant, given, least, product, sum, type Derivation } from '../figures/derive';
import { averageWrite, fitsCache } from './driveWrites';
import { processorRates, type ProcessorRates } from './processor';

/** What a machine offers of a resource a second; unknown when a figure is missing, absent when there is no such part. */
export interface Supplied {
  readonly rate: Derivation | undefined;
  readonly missing: readonly MissingFigure[];
  /** Items whose figures decide this rate. */
  readonly items: readonly string[];
}

export interface Supply {
  readonly of: (resource: Resource) => Supplied | undefined;
  readonly processor: ProcessorRates | undefined;
  /** Item ids that a resource's traffic passes on its way to memory, for shared uplinks. */
  readonly endOf: (resource: Resource) => { readonly item: string; readonly direction: 'up' | 'down' } | undefined;
  /** What a drive or a network card can take or give by itself; nothing for what its link alone bounds. */
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

const missingOf = (fitted: AnyFitted, ...fields: string[]): MissingFigure[] =>
  fields.map((field) => ({ item: fitted.item.id, part: fitted.part.id, field }));

/** What cards state of their own work, by resource. */
export const CARD_RATES = {
  'gpu.fp32': { field: 'fp32Tflops', label: 'FP32 rate', unit: 'FLOP/s', factor: 1e12 },
  'gpu.matrix': { field: 'matrixTflops', label: 'half-precision matrix rate', unit: 'FLOP/s', factor: 1e12 },
  'gpu.fp64': { field: 'fp64Tflops', label: 'FP64 rate', unit: 'FLOP/s', factor: 1e12 },
  'gpu.traffic': { field: 'memoryGBs', label: 'graphics memory rate', unit: 'B/s', factor: 1e9 },
} as const;
export type CardResource = keyof typeof CARD_RATES;
export const isCardResource = (key: string): key is CardResource => key in CARD_RATES;

/** A card's own rate of a resource, or the figure that it lacks. */
export const cardRate = (
  fitted: AnyFitted & { readonly part: PartOf<'graphics'> },
  resource: CardResource,
): Supplied => {
  const { field, label, unit, factor } = CARD_RATES[resource];
  return own(fitted, field, fitted.part[field], label, unit, factor);
};

const MEDIA = {
  seqReadMBs: 'sequential read',
  seqWriteMBs: 'sequential write into its cache',
  sustainedWriteMBs: 'sequential write after its cache',
} as const;

/** A rate that is the part's own figure times a unit factor. */
function own(
  fitted: AnyFitted,
  field: string,
  value: number | undefined,
  label: string,
  unit: string,
  factor: number,
): Supplied {
  return value === undefined
    ? { rate: undefined, missing: missingOf(fitted, field), items: [fitted.item.id] }
    : { rate: given(label, value * factor, unit, 'part', fullName(fitted.part)), missing: [], items: [fitted.item.id] };
}

const achievedLink = (label: string, bytesPerS: number, where: string): Derivation =>
  product(label, 'B/s', [
    given('coded rate', bytesPerS, 'B/s', 'standard', where),
    fromConstant('share left after headers', COMMON.linkAchieved),
  ]);

/** Rates of everything in the machine, computed lazily and once. */
export function supplyOf(
  parts: FittedParts,
  memory: MemoryState,
  board: Board | undefined,
  placement: Placement | undefined,
  rates: Rates = NO_RATES,
): Supply {
  const processor = parts.one('processor');
  const cores = processor && processorRates(processor.part);
  const card = parts.one('graphics');
  const integrated = processor?.part.integratedGraphics;
  const cache = new Map<Resource, Supplied | undefined>();

  const linkOf = (fitted: AnyFitted): Supplied => {
    const placed = placement?.placed.get(fitted.item.id);
    if (placed?.bytesPerS === undefined)
      return {
        rate: undefined,
        missing: placed ? missingOf(fitted, 'lanes', 'generation') : [],
        items: [fitted.item.id],
      };
    const slot = board?.slotById.get(placed.slot);
    return {
      rate: achievedLink(
        `link in ${slot?.label ?? placed.slot}`,
        placed.bytesPerS,
        placed.link ? `generation ${placed.link.generation} × ${placed.link.lanes}` : 'SATA 3',
      ),
      missing: [],
      items: [fitted.item.id],
    };
  };

  const CAPACITY = ['modules', 'moduleGiB'] as const;
  const memoryUnknown = (
    fields: readonly (keyof PartOf<'memory'>)[] = [...CAPACITY, 'rateMTs', 'standardRateMTs', 'profileKind'],
  ): MissingFigure[] =>
    parts.ofKind('memory').flatMap((kit) => missingOf(kit, ...fields.filter((field) => kit.part[field] === undefined)));

  /** A rate of a drive's own, as results correct it; short writes that were seen stand for no long ones. */
  const mediaOf = (
    fitted: AnyFitted & { readonly part: PartOf<'drive'> },
    field: keyof typeof MEDIA,
    by: TaughtRate | undefined,
  ): Supplied => {
    const stated = own(fitted, field, fitted.part[field], MEDIA[field], 'B/s', 1e6);
    const applies = by?.kind === 'factor' || field === 'seqReadMBs';
    const rate = applies ? taughtRate(MEDIA[field], stated.rate, by) : stated.rate;
    return rate ? { rate, missing: [], items: stated.items } : stated;
  };

  const drive = (role: DriveRole, direction: 'read' | 'write'): Supplied | undefined => {
    const fitted = driveFor({ parts }, role);
    if (!fitted) return undefined;
    const by = rates.drives.get(fitted.part.id)?.[direction];
    const media = mediaOf(fitted, direction === 'read' ? 'seqReadMBs' : 'sustainedWriteMBs', by);
    const link = linkOf(fitted);
    // seen in this machine, a rate needs no stated link
    const through = link.rate === undefined && by?.kind === 'rate' && by.inPlace;
    const known = media.rate && (link.rate ?? (through ? media.rate : undefined));
    return {
      rate:
        media.rate && known ? least(`${direction} ${fullName(fitted.part)}`, 'B/s', [media.rate, known]) : undefined,
      missing: [...media.missing, ...(through ? [] : link.missing)],
      items: [fitted.item.id],
    };
  };

  const compute = (resource: Resource): Supplied | undefined => {
    switch (resource) {
      case 'cpu.serial':
      case 'cpu.parallel': {
        if (!processor || !cores) return undefined;
        const rate = resource === 'cpu.serial' ? cores.serial : cores.parallel(cores.threads);
        return { rate, missing: rate ? [] : missingOf(processor, ...cores.missing), items: [processor.item.id] };
      }
      case 'memory.traffic': {
        const kits = parts.ofKind('memory');
        if (kits.length === 0) return undefined;
        const bandwidth = memory.bandwidthBytesPerS;
        const stated =
          bandwidth === undefined
            ? undefined
            : product('memory bandwidth reached', 'B/s', [
                given(
                  'peak bandwidth',
                  bandwidth,
                  'B/s',
                  'part',
                  `${memory.effectiveMTs} MT/s × 8 B × ${memory.channelsPopulated} channels`,
                ),
                fromConstant('share of peak reached', COMMON.memoryAchieved),
              ]);
        const rate = taughtRate('memory bandwidth reached', stated, rates.memory);
        return {
          rate,
          missing: rate === undefined ? memoryUnknown() : [],
          items: kits.map((kit) => kit.item.id),
        };
      }
      case 'gpu.fp32':
        if (card) return cardRate(card, resource);
        if (processor && integrated && integrated !== 'none')
          return {
            rate: given(
              'FP32 rate of the integrated graphics',
              integrated.fp32Tflops * 1e12,
              'FLOP/s',
              'part',
              fullName(processor.part),
            ),
            missing: [],
            items: [processor.item.id],
          };
        return undefined;
      case 'gpu.traffic':
        // integrated graphics read and write the machine's own memory
        return card ? cardRate(card, resource) : compute('memory.traffic');
      case 'gpu.matrix':
      case 'gpu.fp64':
        return card && cardRate(card, resource);
      case 'gpu.exchange': {
        const links = parts.ofKind('graphics').map((fitted) => linkOf(fitted));
        const [first, ...rest] = links.flatMap(({ rate }) => rate ?? []);
        return {
          rate:
            first && rest.length + 1 === links.length
              ? least('narrowest link of the cards', 'B/s', [first, ...rest])
              : undefined,
          missing: links.flatMap(({ missing }) => missing),
          items: parts.ofKind('graphics').map(({ item }) => item.id),
        };
      }
      case 'gpu.in':
      case 'gpu.out':
        return card ? linkOf(card) : compute('memory.traffic');
      case 'engine.decode':
      case 'engine.encode':
        return {
          rate: given('engine seconds a second', 1, 's/s', 'standard', 'definition'),
          missing: [],
          items: card ? [card.item.id] : processor ? [processor.item.id] : [],
        };
      case 'network': {
        const best = networkCards(parts)[0];
        if (best) return own(best, 'networkGbitPerS', best.part.networkGbitPerS, 'network', 'B/s', 1e9 / 8);
        const onBoard = board?.integrated
          .filter((item) => item.kind === 'network')
          .sort((a, b) => b.bytesPerS - a.bytesPerS)[0];
        const boardPart = parts.one('board');
        return onBoard && boardPart
          ? {
              rate: given('network', onBoard.bytesPerS, 'B/s', 'part', fullName(boardPart.part)),
              missing: [],
              items: [boardPart.item.id],
            }
          : undefined;
      }
      default: {
        const [direction, role] = resource.split(':') as ['read' | 'write', DriveRole];
        return drive(role, direction);
      }
    }
  };

  const endOf: Supply['endOf'] = (resource) => {
    if (resource === 'gpu.in' || resource === 'gpu.out')
      return card && { item: card.item.id, direction: resource === 'gpu.in' ? 'down' : 'up' };
    const [direction, role] = resource.split(':');
    if ((direction === 'read' || direction === 'write') && role) {
      const fitted = driveFor({ parts }, role);
      return fitted && { item: fitted.item.id, direction: direction === 'read' ? 'up' : 'down' };
    }
    return undefined;
  };

  const cardsTogether: Supply['cardsTogether'] = (resource, { max, gain, exchanges = false }) => {
    const cards = parts.ofKind('graphics').slice(0, max);
    if (cards.length < 2) return undefined;
    const links = cards.map((fitted) => linkOf(fitted));
    const rates = cards.map((fitted) => cardRate(fitted, resource));
    const missing = [...rates, ...links].flatMap((each) => each.missing);
    const terms = rates.flatMap(({ rate }, i) => {
      const [first, here] = [links[0]?.rate?.value, links[i]?.rate?.value];
      if (!rate || first === undefined || here === undefined) return [];
      if (i === 0) return [rate];
      // a further card on a narrower link gets its frames later
      const arrives = exchanges ? gain : gain * Math.min(1, here / first);
      return [product('a further card', rate.unit, [rate, given('share that arrives', arrives, '×', 'profile', '')])];
    });
    const complete = terms.length === cards.length;
    return {
      rate: complete ? sum('cards together', terms[0]?.unit ?? '', terms) : undefined,
      missing,
      items: cards.map(({ item }) => item.id),
    };
  };

  const written: Supply['written'] = (role, bytes) => {
    const fitted = driveFor({ parts }, role);
    if (!fitted) return undefined;
    const by = rates.drives.get(fitted.part.id)?.write;
    const stated = averageWrite(fitted.part, bytes);
    const link = linkOf(fitted).rate?.value;
    if (stated !== undefined)
      return link === undefined ? undefined : Math.min(stated * (by?.kind === 'factor' ? by.factor.factor : 1), link);
    return by?.kind === 'rate' && by.inPlace && bytes <= by.upToBytes
      ? Math.min(by.bytesPerS, link ?? Infinity)
      : undefined;
  };

  const deviceRate: Supply['deviceRate'] = (id, direction, runBytes = Infinity) => {
    const drive = parts.ofKind('drive').find(({ item }) => item.id === id);
    if (drive) {
      const by = rates.drives.get(drive.part.id);
      if (direction === 'up') return mediaOf(drive, 'seqReadMBs', by?.read);
      return mediaOf(drive, fitsCache(drive.part, runBytes) ? 'seqWriteMBs' : 'sustainedWriteMBs', by?.write);
    }
    const network = parts.ofKind('expansion').find(({ item, part }) => item.id === id && part.purpose === 'network');
    return network && own(network, 'networkGbitPerS', network.part.networkGbitPerS, 'network', 'B/s', 1e9 / 8);
  };

  return {
    of: (resource) => {
      if (!cache.has(resource)) cache.set(resource, compute(resource));
      return cache.get(resource);
    },
    processor: cores,
    endOf,
    deviceRate,
    cardsTogether,
    written,
    memoryBytes: {
      rate: memory.bytes === undefined ? undefined : given('memory fitted', memory.bytes, 'B', 'part', 'memory kits'),
      missing: memory.bytes === undefined ? memoryUnknown(CAPACITY) : [],
      items: parts.ofKind('memory').map((kit) => kit.item.id),
    },
    graphicsBytes: card
      ? own(card, 'memoryGiB', card.part.memoryGiB, 'graphics memory', 'B', GIB)
      : integrated && integrated !== 'none'
        ? {
            rate:
              memory.bytes === undefined
                ? undefined
                : given('half of the memory, shared', memory.bytes / 2, 'B', 'part', 'integrated graphics'),
            missing: memory.bytes === undefined ? memoryUnknown(CAPACITY) : [],
            items: parts.ofKind('memory').map((kit) => kit.item.id),
          }
        : undefined,
    graphicsShareMemory: !card && integrated !== undefined && integrated !== 'none',
    uplinks: new Map([
      ...[...(board?.hubs.values() ?? [])].map((hub): [string, Derivation] => [
        hub.id,
        achievedLink(
          `uplink of ${hub.label}`,
          hub.uplinkBytesPerS,
          `generation ${hub.uplink.generation} × ${hub.uplink.lanes}`,
        ),
      ]),
      // behind a card with a switch its drives share the card's own link
      ...[...(placement?.placed.values() ?? [])].flatMap((placed): [string, Derivation][] =>
        placed.bytesPerS === undefined
          ? []
          : [
              [
                placed.slot,
                achievedLink(
                  `link of the card in ${board?.slotById.get(placed.slot)?.label ?? placed.slot}`,
                  placed.bytesPerS,
                  'negotiated',
                ),
              ],
            ],
      ),
    ]),
    space: (role) => {
      if (!DRIVE_ROLES.includes(role)) return undefined;
      const drives = keepingDrives(parts).filter((fitted) => fitted.item.roles?.includes(role));
      const serving = drives.length > 0 ? drives : [driveFor({ parts }, role)].filter((found) => found !== undefined);
      if (serving.length === 0) return undefined;
      const unknown = serving.filter((fitted) => fitted.part.capacityGB === undefined);
      const total = serving.reduce((all, fitted) => all + (fitted.part.capacityGB ?? 0) * 1e9, 0);
      return {
        rate:
          unknown.length > 0
            ? undefined
            : given('capacity', total, 'B', 'part', serving.map((fitted) => fullName(fitted.part)).join(' + ')),
        missing: unknown.flatMap((fitted) => missingOf(fitted, 'capacityGB')),
        items: serving.map((fitted) => fitted.item.id),
      };
    },
  };
}
