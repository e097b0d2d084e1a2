import type { Assessment } from '@/core/assess';
import { fastestWire } from '@/core/work/networks';
import { linkBytesPerS, type Link } from '@/core/units/links';

/** Mistakes that the rig can build a machine with. */
export const PLANTED = [
  'narrow-card',
  'one-channel',
  'profile-off',
  'paste',
  'cooler-still',
  'fan-reversed',
  'processor-limit',
  'card-limit',
  'narrow-drive',
  'drive-film',
  'loose-module',
  'slow-network',
] as const;
export type Planted = (typeof PLANTED)[number];

/** How one simulated machine really is. */
export interface Truth {
  readonly roomC: number;
  readonly memory: {
    readonly mts: number;
    readonly slots: readonly { readonly slot: string; readonly gib: number | undefined }[];
    readonly streamMBs: number | undefined;
  };
  readonly links: readonly {
    readonly item: string;
    readonly name: string;
    readonly kind: string;
    readonly link: Link;
  }[];
  readonly drives: readonly {
    readonly item: string;
    readonly name: string;
    readonly readMBs: number | undefined;
    readonly writeMBs: number | undefined;
    readonly keptMBs: number | undefined;
    /** GB after which its fast-write cache is full for certain. */
    readonly fullAfterGB: number;
    readonly tempC: number;
    readonly onBoard: boolean;
  }[];
  readonly networkGbitPerS: number | undefined;
  readonly processor:
    | {
        readonly tempC: number;
        readonly watts: number;
        readonly ghz: number;
        readonly idleW: number;
        readonly threads: number;
        /** Gwork/s of all cores and of one. */
        readonly all: number;
        readonly one: number;
        readonly fanRpm: number | undefined;
      }
    | undefined;
  readonly cards: readonly { readonly tempC: number; readonly watts: number; readonly idleW: number }[];
  readonly caseRpm: number | undefined;
}

/** Numbers in [0, 1). */
type Random = () => number;

/** A factor around 1, normal in its logarithm (Box and Muller). */
const around = (next: Random, sigma: number): number =>
  Math.exp(sigma * Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()));
const between = (next: Random, low: number, high: number): number => low + (high - low) * next();

/** Power grows with the clock to about this exponent near the top of its range: voltage rises with it. */
const POWER_OF_CLOCK = 2.6;

/** Which mistakes these parts can be built with. */
export function plantable({ facts }: Assessment): Planted[] {
  const { parts, memory, placement, heat } = facts;
  const wide = (kind: 'graphics' | 'drive'): boolean =>
    parts.ofKind(kind).some(({ item }) => (placement?.placed.get(item.id)?.link?.lanes ?? 0) >= 4);
  const slots = parts.one('board')?.part.memorySlots ?? [];
  const standard = standardMTs(facts.parts);
  const can: Readonly<Record<Planted, boolean>> = {
    'narrow-card': wide('graphics'),
    'one-channel':
      (memory.channelsPopulated ?? 0) > 1 &&
      fewestChannels(slots, memory.modules.length) < (memory.channelsPopulated ?? 0),
    'profile-off': standard !== undefined && memory.effectiveMTs !== undefined && standard < memory.effectiveMTs * 0.98,
    paste: heat.setup.hot.some(({ kind }) => kind === 'processor'),
    'cooler-still': parts.one('cooler') !== undefined && parts.one('cooler')?.part.fans !== 0,
    'fan-reversed': !heat.setup.air.open && (heat.setup.plan?.sides ?? []).some(({ fans }) => fans.length > 0),
    'processor-limit': heat.setup.hot.some(({ kind }) => kind === 'processor'),
    'card-limit': heat.setup.hot.some(({ kind }) => kind === 'graphics'),
    'narrow-drive': wide('drive'),
    'drive-film': parts
      .ofKind('drive')
      .some(({ part }) => part.interface === 'NVMe' && part.sustainedWriteMBs !== undefined),
    'loose-module': memory.modules.length > 1,
    'slow-network': fastestWire(parts) !== undefined,
  };
  return PLANTED.filter((planted) => can[planted]);
}

function fewestChannels(slots: readonly { readonly channel: string }[], modules: number): number {
  const sizes = new Map<string, number>();
  for (const { channel } of slots) sizes.set(channel, (sizes.get(channel) ?? 0) + 1);
  let [left, taken] = [modules, 0];
  for (const size of [...sizes.values()].sort((a, b) => b - a)) {
    if (left <= 0) break;
    left -= size;
    taken++;
  }
  return taken;
}

function standardMTs(parts: Assessment['facts']['parts']): number | undefined {
  const rates = parts.ofKind('memory').map(({ part }) => part.standardRateMTs);
  return rates.some((rate) => rate === undefined) ? undefined : Math.min(...rates.filter((rate) => rate !== undefined));
}

/**
 * A machine as it might really be: what the parts state, off by hidden factors of this one machine, built with one
 * mistake or none. The physics of a mistake stand here and nowhere else: nobody who looks for it may read them.
 */
export function truthOf(assessment: Assessment, next: Random, planted: Planted | undefined): Truth {
  const { facts, supply } = assessment;
  const { parts, memory, placement, heat, brief } = facts;
  const is = (mistake: Planted): boolean => planted === mistake;
  const roomC = Math.round((brief.roomC + between(next, -3, 3)) * 10) / 10;
  const cores = around(next, 0.06);

  return {
    roomC,
    memory: memoryTruth(),
    links: linkTruth(),
    drives: driveTruth(),
    networkGbitPerS: networkTruth(),
    ...heatTruth(),
  };

  function memoryTruth(): Truth['memory'] {
    const mts = (is('profile-off') ? standardMTs(parts) : memory.effectiveMTs) ?? memory.effectiveMTs ?? 0;
    const gone = is('loose-module') ? Math.floor(next() * memory.modules.length) : -1;
    const slots = memory.modules.map(({ slot, gib }, i) => ({ slot, gib: i === gone ? undefined : gib }));
    const channels = memory.channelsPopulated ?? 1;
    const left = is('one-channel')
      ? fewestChannels(parts.one('board')?.part.memorySlots ?? [], memory.modules.length) / channels
      : is('loose-module') && memory.modules.length === channels
        ? (channels - 1) / channels
        : 1;
    const peak = memory.bandwidthBytesPerS;
    const rate = memory.effectiveMTs ? mts / memory.effectiveMTs : 1;
    const streams = around(next, 0.05);
    return {
      mts,
      slots,
      // what is left of the channels is used a little better than all of them were
      streamMBs: peak === undefined ? undefined : ((peak * left ** 0.92 * rate) / 1e6) * 0.76 * streams,
    };
  }

  function linkTruth(): Truth['links'] {
    let hit = false;
    return [...parts.ofKind('graphics'), ...parts.ofKind('expansion'), ...parts.ofKind('drive')].flatMap(
      ({ item, part }) => {
        const link = placement?.placed.get(item.id)?.link;
        if (!link || (part.kind === 'drive' && part.interface !== 'NVMe')) return [];
        const wrong: Planted | undefined =
          part.kind === 'graphics' ? 'narrow-card' : part.kind === 'drive' ? 'narrow-drive' : undefined;
        const narrow = wrong !== undefined && is(wrong) && !hit && link.lanes >= 4;
        if (narrow) hit = true;
        const lanes = narrow ? link.lanes / (part.kind === 'graphics' ? 4 : 2) : link.lanes;
        return [{ item: item.id, name: `${part.maker} ${part.name}`, kind: part.kind, link: { ...link, lanes } }];
      },
    );
  }

  function driveTruth(): Truth['drives'] {
    const narrow = is('narrow-drive') ? linkTruth() : [];
    const filmed = is('drive-film')
      ? parts.ofKind('drive').find(({ part }) => part.interface === 'NVMe' && part.sustainedWriteMBs !== undefined)
      : undefined;
    return parts.ofKind('drive').map(({ item, part }) => {
      const own = around(next, 0.05);
      const placed = placement?.placed.get(item.id);
      const link = narrow.find((entry) => entry.item === item.id)?.link ?? placed?.link;
      const carried = link ? (linkBytesPerS(link) * 0.9) / 1e6 : (placed?.bytesPerS ?? Infinity) / 1e6;
      const film = filmed?.item.id === item.id;
      const rate = (stated: number | undefined, factor = 1): number | undefined =>
        stated === undefined ? undefined : Math.min(stated * own * factor, carried) * around(next, 0.015);
      return {
        item: item.id,
        name: `${part.maker} ${part.name}`,
        readMBs: rate(part.seqReadMBs),
        writeMBs: rate(part.seqWriteMBs, film ? between(next, 0.8, 0.95) : 1),
        keptMBs: rate(part.sustainedWriteMBs, film ? between(next, 0.35, 0.6) : 1),
        fullAfterGB: Math.ceil((part.writeCacheGB ?? 0) * 1.5) + 20,
        tempC: roomC + 33 * around(next, 0.1) + (film ? between(next, 15, 28) : 0),
        onBoard: part.interface === 'NVMe',
      };
    });
  }

  function networkTruth(): number | undefined {
    const line = fastestWire(parts);
    if (line === undefined) return undefined;
    return (
      (is('slow-network') ? ([10, 1, 0.1].find((rate) => rate < line) ?? line) : line) * 0.94 * around(next, 0.006)
    );
  }

  /** Powers, air and fans at the joint load, once: what is too hot lowers its clock until it is not. */
  function heatTruth(): Pick<Truth, 'processor' | 'cards' | 'caseRpm'> {
    const { best } = heat.atLimit;
    const air = around(next, 0.08) * (is('fan-reversed') ? between(next, 2, 3.2) : 1);
    const body = heat.setup.hot.map((hot) => {
      const state = best.state.parts.find(({ item }) => item === hot.item);
      const limited =
        hot.kind === 'processor'
          ? is('processor-limit')
            ? between(next, 0.45, 0.65)
            : 1
          : is('card-limit')
            ? between(next, 0.5, 0.7)
            : 1;
      const worse =
        hot.kind === 'processor'
          ? is('paste')
            ? between(next, 1.45, 1.9)
            : is('cooler-still')
              ? between(next, 2.6, 4)
              : 1
          : 1;
      const full = (state?.watts ?? 0) * around(next, 0.03);
      // fins follow their fan: less power, less speed
      const kPerW = (state?.kPerW ?? 0) * around(next, 0.06) * worse * limited ** -0.25;
      const intakeC = roomC + Math.max(0, (state?.intakeC ?? roomC) - heat.setup.roomC) * air * limited;
      const most = (hot.limitC.best - intakeC) / Math.max(1e-6, kPerW);
      const watts = Math.max(Math.min(full * limited, most), 1);
      return {
        hot,
        watts,
        tempC: intakeC + watts * kPerW,
        clock: (watts / Math.max(1, full)) ** (1 / POWER_OF_CLOCK),
        state,
      };
    });
    const cpu = body.find(({ hot }) => hot.kind === 'processor');
    const part = parts.one('processor')?.part;
    const cooler = parts.one('cooler')?.part;
    const full = Math.max(0, ...(cooler?.resistance ?? []).map(({ rpm }) => rpm));
    const ghz = (part?.coreGroups?.[0]?.allCoreGHz ?? 0) * best.clocks.processor * around(next, 0.012);
    const turning = [
      ...parts.ofKind('fan').map(({ part: fan }) => fan.maxRpm),
      ...(parts.one('case')?.part.fansIncluded ?? []).map(({ maxRpm }) => maxRpm),
    ].filter((rpm) => rpm !== undefined);
    const threads = supply.processor?.threads ?? 0;
    return {
      processor: cpu && {
        tempC: cpu.tempC,
        watts: cpu.watts,
        ghz: ghz * cpu.clock,
        idleW: cpu.hot.idleW,
        threads,
        all: (supply.processor?.parallel(threads)?.value ?? 0) * cores * best.clocks.processor * cpu.clock,
        one: (supply.processor?.serial?.value ?? 0) * cores,
        fanRpm:
          full > 0 && cooler?.fans !== 0
            ? is('cooler-still')
              ? 0
              : Math.min(1, (cpu.state?.speed ?? 0.5) * (cpu.tempC / Math.max(1, cpu.state?.tempC ?? 1)) ** 1.3) *
                full *
                around(next, 0.04)
            : undefined,
      },
      cards: body
        .filter(({ hot }) => hot.kind === 'graphics')
        .map(({ tempC, watts, hot }) => ({ tempC, watts, idleW: hot.idleW })),
      caseRpm:
        turning.length > 0 && heat.setup.plan
          ? Math.min(...turning) * best.state.caseSpeed * around(next, 0.05)
          : undefined,
    };
  }
}
