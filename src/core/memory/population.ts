import type { Fitted, FittedParts } from '../fitted';
import { GIB } from '../units/quantity';
import { bandwidthBytesPerS, latencyNs } from './timing';

/** One module in a slot of the board. */
export interface ModuleInSlot {
  readonly slot: string;
  readonly channel: string;
  readonly item: string;
  readonly gib: number | undefined;
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
  readonly modulesPerChannel: number | undefined;
  readonly supportedByProcessorMTs: number | undefined;
  readonly supportedByBoardMTs: number | undefined;
  readonly profileMTs: number | undefined;
  readonly profileReadable: boolean | undefined;
  readonly effectiveMTs: number | undefined;
  readonly bandwidthBytesPerS: number | undefined;
  readonly latencyNs: number | undefined;
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

/**
 * Fills the board's memory slots in fill order, larger modules first, and derives the rate in effect: with the profile
 * on, the slowest kit's profile rate held to the board's limit (a rate above what the processor supports still runs;
 * a rule cautions about it); with the profile off or unreadable, the standard rate held to what is supported.
 */
export function populate(parts: FittedParts, profile: 'on' | 'off'): MemoryState {
  const kits = parts.ofKind('memory');
  const board = parts.one('board')?.part;
  const processor = parts.one('processor')?.part;
  const slots = board?.memorySlots && [...board.memorySlots].sort((a, b) => a.fillOrder - b.fillOrder);
  const loose = [...kits]
    .sort((a, b) => (b.part.moduleGiB ?? 0) - (a.part.moduleGiB ?? 0))
    .flatMap((kit) => Array.from({ length: kit.part.modules ?? 0 }, () => kit));
  const modules = (slots ?? []).flatMap((slot, i): ModuleInSlot[] => {
    const kit = loose[i];
    return kit ? [{ slot: slot.id, channel: slot.channel, item: kit.item.id, gib: kit.part.moduleGiB }] : [];
  });
  const modulesWanted = kits.some((kit) => kit.part.modules === undefined) ? undefined : loose.length;

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
  const most = Math.max(0, ...loads.map((load) => load.modules));
  const modulesPerChannel = known ? most : undefined;

  const support = processor?.memory?.find((entry) => entry.generation === kits[0]?.part.generation);
  const ranks = leastKnown(kits.map((kit) => kit.part.ranks));
  const rated =
    support?.rates.filter((rate) => rate.modulesPerChannel >= (modulesPerChannel ?? 1) && rate.ranks >= (ranks ?? 1)) ??
    [];
  // the table's first entry that covers this population; beyond the table nothing is promised
  const supportedByProcessorMTs =
    modulesPerChannel === undefined || ranks === undefined || rated.length === 0
      ? undefined
      : Math.max(...rated.map((rate) => rate.rateMTs));
  const profileMTs = kits.length ? leastKnown(kits.map((kit) => kit.part.rateMTs)) : undefined;
  const profileReadable = readable(kits, board?.profileKinds);
  const standard = kits.length ? leastKnown(kits.map((kit) => kit.part.standardRateMTs)) : undefined;
  const onProfile = profile === 'on' && profileReadable === true;
  const effectiveMTs = onProfile
    ? leastKnown([profileMTs, board?.memoryRateMTs])
    : profile === 'on' && profileReadable === undefined
      ? undefined
      : leastKnown([standard, supportedByProcessorMTs, board?.memoryRateMTs]);
  // the slowest module decides; first-word latency follows the clock in effect, cycles stay as sold on the profile
  const cas = Math.max(0, ...kits.map((kit) => kit.part.casLatency ?? 0));
  const casKnown = kits.length > 0 && kits.every((kit) => kit.part.casLatency !== undefined);
  return {
    modules,
    modulesWanted,
    slots: slots?.length,
    bytes:
      known && kits.every((kit) => kit.part.moduleGiB !== undefined)
        ? loose.reduce((sum, kit) => sum + (kit.part.moduleGiB ?? 0) * GIB, 0)
        : undefined,
    channelsPopulated,
    channels,
    even:
      known && loads.length > 0
        ? loads.length === channels &&
          loads.every((load) => load.modules === loads[0]?.modules && load.gib === loads[0].gib)
        : undefined,
    modulesPerChannel,
    supportedByProcessorMTs,
    supportedByBoardMTs: board?.memoryRateMTs,
    profileMTs,
    profileReadable,
    effectiveMTs,
    bandwidthBytesPerS:
      effectiveMTs === undefined || channelsPopulated === undefined
        ? undefined
        : bandwidthBytesPerS(effectiveMTs, channelsPopulated),
    latencyNs: onProfile && casKnown && effectiveMTs !== undefined ? latencyNs(cas, effectiveMTs) : undefined,
  };
}

/** Whether the board reads the profile of every kit; a kit without a profile is read at its standard rate. */
function readable(kits: readonly Fitted<'memory'>[], kinds: readonly string[] | undefined): boolean | undefined {
  if (kits.length === 0 || kits.some((kit) => kit.part.profileKind === undefined)) return undefined;
  if (kits.every((kit) => kit.part.profileKind === 'none')) return false;
  if (kinds === undefined) return undefined;
  return kits.every((kit) => kit.part.profileKind !== undefined && kinds.includes(kit.part.profileKind));
}
