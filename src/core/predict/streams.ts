import { capacityOf, linkKey, linkLoads, linksCrossed, maxMinFair, type End, type Flow } from '../board/flows';
import { LINKS, shareOfIntegrated, shareOfLink } from '../board/links';
import { deviceKey } from '../figures/resources';
import type { MissingFigure } from '../figures/missing';
import type { Band } from '../units/band';
import type { Setting } from './totals';

/** Where a stream is narrowest: a link of the board, or the device itself. */
export interface Narrowest {
  readonly kind: 'link' | 'device';
  /** Slot, hub, integrated function or item. */
  readonly place: string;
  /** Whether other devices send over it too. */
  readonly shared: boolean;
  readonly label: string;
}

/** Share of its rate that a stream gets; undefined when a figure on its way is unknown. May exceed 1. */
export interface StreamShare {
  readonly share: Band | undefined;
  readonly narrowest: Narrowest | undefined;
  readonly missing: readonly MissingFigure[];
}

/** What a directed link of the board carries in a sitting. */
export interface Streams {
  /** Real-time loads on directed links in bytes/s, explicit streams only. */
  readonly loads: ReadonlyMap<string, number>;
  /** The same loads on links that several devices share and on the devices at their ends, by the keys of demands. */
  readonly onPlaces: ReadonlyMap<string, number>;
  /** `behind` asks for an elastic stream, which gets only what the real-time ones leave. */
  readonly shareOf: (flow: Flow, behind?: boolean) => StreamShare;
  /** Max-min fair bytes/s of elastic streams on what the real-time ones leave, in order. */
  readonly fair: (flows: readonly Flow[]) => number[];
  readonly linksOf: (flow: Flow) => readonly string[];
}

const NOTHING: Streams = {
  loads: new Map(),
  onPlaces: new Map(),
  shareOf: () => ({ share: undefined, narrowest: undefined, missing: [] }),
  fair: (flows) => flows.map((flow) => flow.bytesPerS),
  linksOf: () => [],
};

/** A stream's ends, and which way each is used. */
export const endsOf = ({ from, to }: Flow): readonly (readonly [item: string, direction: 'up' | 'down'])[] => [
  [from, 'up'],
  [to, 'down'],
];

/**
 * Streams of a sitting on the placed links: the real-time ones first, each with its share of the narrowest link
 * (capacity ÷ load), the elastic ones max-min fair on what is left. `implied` holds what the tasks' own demands put on
 * shared links and on devices. A drive's or a network's own rate bounds a stream as a link does.
 */
export function streamsOf(flows: readonly Flow[], setting: Setting, implied: ReadonlyMap<string, number>): Streams {
  const { board, placement, supply } = setting;
  if (!board || !placement) return NOTHING;
  const integrated = new Map(board.integrated.map((entry) => [entry.id, entry]));
  const inSlot = new Map(
    [...placement.placed].map(([item, { slot, link, bytesPerS }]) => [slot, { item, link, bytesPerS }]),
  );
  const endOf = (item: string): End | undefined => {
    const slot = board.slotById.get(placement.placed.get(item)?.slot ?? '');
    if (slot) return { link: slot.id, path: slot.path };
    const own = integrated.get(item);
    return own && { link: own.id, path: own.path };
  };
  const loads = linkLoads(flows, endOf);
  const shared = new Set(board.slots.flatMap((slot) => slot.path));
  /** What the tasks' demands put on the device at a stream's end. */
  const demanded = (item: string, direction: 'up' | 'down') => implied.get(deviceKey(item, direction)) ?? 0;
  const capacity = (key: string): number | undefined =>
    capacityOf(
      board,
      (slot) => {
        const { link, bytesPerS } = inSlot.get(slot) ?? {};
        return bytesPerS === undefined ? undefined : bytesPerS * shareOfLink(link).value;
      },
      key,
    );
  const spreadOf = (place: string): number => {
    const own = integrated.get(place);
    if (own) return shareOfIntegrated(own.kind).spread;
    return board.hubs.has(place) ? LINKS.slot.spread : shareOfLink(inSlot.get(place)?.link).spread;
  };
  const loadOn = (key: string): number => {
    const { place, direction } = directed(key);
    // a function of the board is its own place
    const device = inSlot.get(place)?.item ?? place;
    return (loads.get(key) ?? 0) + (implied.get(`uplink:${key}`) ?? 0) + demanded(device, direction);
  };
  const labelOf = (place: string): string =>
    board.hubs.get(place)?.label ?? board.slotById.get(place)?.label ?? integrated.get(place)?.label ?? place;
  return {
    loads,
    onPlaces: new Map([
      ...[...loads].flatMap(([key, value]) =>
        shared.has(directed(key).place) ? [[`uplink:${key}`, value] as const] : [],
      ),
      ...onDevices(flows),
    ]),
    shareOf: (flow, behind = false) => {
      let share: Band | undefined;
      let narrowest: Narrowest | undefined;
      const missing: MissingFigure[] = [];
      let unknown = false;
      /** What is left of a rate, or its part of it, over what the stream asks for. */
      const take = (rate: number, spread: number, load: number, at: () => Narrowest) => {
        const likely = behind ? Math.max(0, rate - load) / flow.bytesPerS : rate / (load || flow.bytesPerS);
        if (!share || likely < share.likely) narrowest = at();
        share = {
          low: Math.min(share?.low ?? Infinity, likely / spread),
          likely: Math.min(share?.likely ?? Infinity, likely),
          high: Math.min(share?.high ?? Infinity, likely * spread),
        };
      };
      // what a device does by itself is told before what its link does
      for (const [item, direction] of endsOf(flow)) {
        const end = endOf(item);
        const served = (end ? (loads.get(linkKey(end.link, direction)) ?? 0) : 0) + demanded(item, direction);
        const runBytes = flow.runBytes === undefined ? undefined : flow.runBytes * Math.max(1, served / flow.bytesPerS);
        const own = supply.deviceRate(item, direction, runBytes);
        if (!own) continue;
        missing.push(...own.missing);
        const { rate } = own;
        if (rate === undefined) unknown = true;
        else
          take(rate.value, rate.spread, served, () => ({
            kind: 'device',
            place: item,
            shared: false,
            label: rate.label,
          }));
      }
      for (const key of linksCrossed(flow, endOf)) {
        const limit = capacity(key);
        const { place } = directed(key);
        if (limit === undefined) unknown = true;
        else
          take(limit, spreadOf(place), loadOn(key), () => ({
            kind: 'link',
            place,
            shared: shared.has(place),
            label: `link of ${labelOf(place)}`,
          }));
      }
      return { share: unknown ? undefined : share, narrowest, missing };
    },
    fair: (elastic) =>
      maxMinFair(
        elastic.map((flow) => ({ wants: flow.bytesPerS, links: linksCrossed(flow, endOf) })),
        (key) => {
          const limit = capacity(key);
          return limit === undefined ? undefined : Math.max(0, limit - loadOn(key));
        },
      ),
    linksOf: (flow) => linksCrossed(flow, endOf),
  };
}

function directed(key: string): { readonly place: string; readonly direction: 'up' | 'down' } {
  const last = key.lastIndexOf(':');
  return { place: key.slice(0, last), direction: key.slice(last + 1) === 'up' ? 'up' : 'down' };
}

/** Bytes/s that streams put on the devices at their ends. */
function onDevices(flows: readonly Flow[]): Map<string, number> {
  const loads = new Map<string, number>();
  for (const flow of flows)
    for (const [item, direction] of endsOf(flow)) {
      if (item === 'memory') continue;
      const key = deviceKey(item, direction);
      loads.set(key, (loads.get(key) ?? 0) + flow.bytesPerS);
    }
  return loads;
}
