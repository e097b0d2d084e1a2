import type { Fitted, FittedParts } from '../model/fitted';
import type { MemorySlot } from '../parts/board';
import type { PopulationRate } from '../parts/common';
import { GIB } from '../units/quantity';
import { accessNs, bandwidthBytesPerS, type AccessNs } from './timing';

/** One module in a slot of the board. */
export interface ModuleInSlot {
  readonly slot: string;
  readonly channel: string;
  readonly item: string;
  readonly gib: number | undefined;
}

/** Memory that is spread over the same channels: the part up to the least channel is spread over all of them. */
export interface Spread {
  readonly gib: number;
  readonly channels: number;
  readonly bandwidthBytesPerS: number;
}

/** What the memory of a machine amounts to. Undefined figures are unknown; the rules name what is missing. */
export interface MemoryState {
  readonly modules: readonly ModuleInSlot[];
  readonly modulesWanted: number | undefined;
  readonly slots: number | undefined;
  readonly bytes: number | undefined;
  readonly channelsPopulated: number | undefined;
  readonly channels: number | undefined;
  readonly even: boolean | undefined;
  /** Where channels hold unequal amounts: the part spread over all, then over fewer; one entry when all is even. */
  readonly spread: readonly Spread[] | undefined;
  readonly modulesPerChannel: number | undefined;
  readonly ranks: number | undefined;
  /** Seats given by hand that the board does not have or that are taken twice. */
  readonly badSeats: readonly { readonly item: string; readonly slot: string }[];
  /** The slots that the fill order would take, when the modules sit in others. */
  readonly wantedSlots: readonly string[] | undefined;
  readonly supportedByProcessorMTs: number | undefined;
  readonly supportedByBoardMTs: number | undefined;
  /** The highest rate the board can be set to at all. */
  readonly boardLimitMTs: number | undefined;
  readonly profileMTs: number | undefined;
  readonly profileReadable: boolean | undefined;
  readonly effectiveMTs: number | undefined;
  readonly bandwidthBytesPerS: number | undefined;
  readonly latencyNs: number | undefined;
  /** Of the slowest kit in each respect, at the rate in effect; undefined when the profile is not in use. */
  readonly access: AccessNs | undefined;
}

/** Smallest of the values, unknown when one is. */
function leastKnown(values: readonly (number | undefined)[]): number | undefined {
  let least: number | undefined;
  for (const value of values) {
    if (value === undefined) return undefined;
    least = least === undefined ? value : Math.min(least, value);
  }
  return least;
}

/** Largest of the values, unknown when one is. */
function mostKnown(values: readonly (number | undefined)[]): number | undefined {
  const negated = leastKnown(values.map((value) => (value === undefined ? undefined : -value)));
  return negated === undefined ? undefined : -negated;
}

/**
 * Rate that a table supports with this population: of the entries that cover it (as many modules a channel and as many
 * ranks, or more) the fastest. Beyond the table nothing is promised.
 */
export function rateFor(
  table: readonly PopulationRate[] | undefined,
  modulesPerChannel: number | undefined,
  ranks: number | undefined,
): number | undefined {
  if (!table || modulesPerChannel === undefined || ranks === undefined) return undefined;
  const covering = table.filter((entry) => entry.modulesPerChannel >= modulesPerChannel && entry.ranks >= ranks);
  return covering.length === 0 ? undefined : Math.max(...covering.map((entry) => entry.rateMTs));
}

type Kit = Fitted<'memory'>;
interface Seating {
  readonly modules: readonly ModuleInSlot[];
  readonly badSeats: MemoryState['badSeats'];
  readonly wantedSlots: MemoryState['wantedSlots'];
}

/** Kits seated by hand go where a person says; all other modules follow the fill order, larger ones first. */
function seat(
  kits: readonly Kit[],
  slots: readonly MemorySlot[],
  byHand: Readonly<Record<string, readonly string[]>> = {},
): Seating {
  const bySlot = new Map<string, Kit>();
  const ids = new Set(slots.map((slot) => slot.id));
  const badSeats: { item: string; slot: string }[] = [];
  const loose: Kit[] = [];
  for (const kit of [...kits].sort((a, b) => (b.part.moduleGiB ?? 0) - (a.part.moduleGiB ?? 0))) {
    const wanted = [...(byHand[kit.item.id] ?? [])].slice(0, kit.part.modules ?? 0);
    const seats = wanted.filter((slot) => {
      const free = ids.has(slot) && !bySlot.has(slot);
      if (free) bySlot.set(slot, kit);
      else badSeats.push({ item: kit.item.id, slot });
      return free;
    });
    for (let i = seats.length; i < (kit.part.modules ?? 0); i++) loose.push(kit);
  }
  const inOrder = [...slots].sort((a, b) => a.fillOrder - b.fillOrder);
  for (const slot of inOrder) {
    const next = bySlot.has(slot.id) ? undefined : loose.shift();
    if (next) bySlot.set(slot.id, next);
  }
  const wanted = inOrder.slice(0, bySlot.size).map((slot) => slot.id);
  return {
    modules: inOrder.flatMap((slot): ModuleInSlot[] => {
      const kit = bySlot.get(slot.id);
      return kit ? [{ slot: slot.id, channel: slot.channel, item: kit.item.id, gib: kit.part.moduleGiB }] : [];
    }),
    badSeats,
    wantedSlots: wanted.every((slot) => bySlot.has(slot)) ? undefined : wanted,
  };
}

/**
 * Where channels hold unequal amounts, addresses are interleaved as widely as they can be: up to the least filled
 * channel over all of them, what is above over those that have more.
 */
function spreadOf(gibs: readonly number[], rateMTs: number): Spread[] {
  const spread: Spread[] = [];
  let below = 0;
  for (const level of [...new Set(gibs)].sort((a, b) => a - b)) {
    const channels = gibs.filter((gib) => gib >= level).length;
    spread.push({
      gib: (level - below) * channels,
      channels,
      bandwidthBytesPerS: bandwidthBytesPerS(rateMTs, channels),
    });
    below = level;
  }
  return spread;
}

/**
 * Fills the board's memory slots and derives the rate in effect: with the profile on, the slowest kit's profile rate
 * held to the board's limit (a rate above what processor or board support in this population still runs; a rule
 * cautions about it); with the profile off or unreadable, the standard rate held to what is supported.
 */
export function populate(
  parts: FittedParts,
  profile: 'on' | 'off',
  byHand?: Readonly<Record<string, readonly string[]>>,
): MemoryState {
  const kits = parts.ofKind('memory');
  const board = parts.one('board')?.part;
  const processor = parts.one('processor')?.part;
  const slots = board?.memorySlots;
  const { modules, badSeats, wantedSlots } = seat(kits, slots ?? [], byHand);
  const modulesWanted = kits.some((kit) => kit.part.modules === undefined)
    ? undefined
    : kits.reduce((sum, kit) => sum + (kit.part.modules ?? 0), 0);

  const perChannel = new Map<string, { modules: number; gib: number }>();
  for (const module of modules) {
    const at = perChannel.get(module.channel) ?? { modules: 0, gib: 0 };
    perChannel.set(module.channel, { modules: at.modules + 1, gib: at.gib + (module.gib ?? 0) });
  }
  const loads = [...perChannel.values()];
  const boardChannels = slots && new Set(slots.map((slot) => slot.channel)).size;
  const channels = leastKnown([boardChannels, processor?.memoryChannels]);
  const known = slots !== undefined && modulesWanted !== undefined && kits.length > 0;
  const channelsPopulated = known ? Math.min(loads.length, channels ?? loads.length) : undefined;
  const modulesPerChannel = known ? Math.max(0, ...loads.map((load) => load.modules)) : undefined;

  const support = processor?.memory?.find((entry) => entry.generation === kits[0]?.part.generation);
  const ranks = mostKnown(kits.map((kit) => kit.part.ranks));
  const supportedByProcessorMTs = rateFor(support?.rates, modulesPerChannel, ranks);
  const boardLimitMTs = board?.memoryRateMTs;
  // one limit stated for the board says nothing about more than one module a channel
  const supportedByBoardMTs = board?.memoryRates
    ? rateFor(board.memoryRates, modulesPerChannel, ranks)
    : modulesPerChannel !== undefined && modulesPerChannel <= 1
      ? boardLimitMTs
      : undefined;
  const profileMTs = kits.length ? leastKnown(kits.map((kit) => kit.part.rateMTs)) : undefined;
  const profileReadable = readable(kits, board?.profileKinds);
  const standard = kits.length ? leastKnown(kits.map((kit) => kit.part.standardRateMTs)) : undefined;
  const onProfile = profile === 'on' && profileReadable === true;
  const effectiveMTs = onProfile
    ? leastKnown([profileMTs, boardLimitMTs])
    : profile === 'on' && profileReadable === undefined
      ? undefined
      : leastKnown([standard, supportedByProcessorMTs, supportedByBoardMTs]);
  const slowest = (field: 'casLatency' | 'rcd' | 'rp' | 'ras') => mostKnown(kits.map((kit) => kit.part[field]));
  // how much there is does not hang on the board that it sits in
  const capacityKnown =
    kits.length > 0 && modulesWanted !== undefined && kits.every((kit) => kit.part.moduleGiB !== undefined);
  // cycles are sold for the rate on the label; what they are at a lower one is not stated, but for a profile held back
  const plain = kits.every((kit) => kit.part.profileKind === 'none') && effectiveMTs === profileMTs;
  const access =
    (onProfile || plain) && effectiveMTs !== undefined
      ? accessNs(
          { cl: slowest('casLatency'), rcd: slowest('rcd'), rp: slowest('rp'), ras: slowest('ras') },
          effectiveMTs,
        )
      : undefined;
  return {
    modules,
    modulesWanted,
    slots: slots?.length,
    bytes: capacityKnown
      ? kits.reduce((sum, kit) => sum + (kit.part.modules ?? 0) * (kit.part.moduleGiB ?? 0) * GIB, 0)
      : undefined,
    channelsPopulated,
    channels,
    even:
      known && loads.length > 0
        ? loads.length === channels &&
          loads.every((load) => load.modules === loads[0]?.modules && load.gib === loads[0].gib)
        : undefined,
    spread:
      known && capacityKnown && effectiveMTs !== undefined
        ? spreadOf(
            loads.map((load) => load.gib),
            effectiveMTs,
          )
        : undefined,
    modulesPerChannel,
    ranks,
    badSeats,
    wantedSlots,
    supportedByProcessorMTs,
    supportedByBoardMTs,
    boardLimitMTs,
    profileMTs,
    profileReadable,
    effectiveMTs,
    bandwidthBytesPerS:
      effectiveMTs === undefined || channelsPopulated === undefined
        ? undefined
        : bandwidthBytesPerS(effectiveMTs, channelsPopulated),
    latencyNs: access?.open,
    access,
  };
}

/** Whether the board reads the profile of every kit; a kit without a profile is read at its standard rate. */
function readable(kits: readonly Fitted<'memory'>[], kinds: readonly string[] | undefined): boolean | undefined {
  if (kits.length === 0 || kits.some((kit) => kit.part.profileKind === undefined)) return undefined;
  if (kits.every((kit) => kit.part.profileKind === 'none')) return false;
  if (kinds === undefined) return undefined;
  return kits.every((kit) => kit.part.profileKind !== undefined && kinds.includes(kit.part.profileKind));
}
