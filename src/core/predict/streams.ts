import { capacityOf, linkKey, linkLoads, linksCrossed, maxMinFair, type End, type Flow } from '../board/flows';
import { COMMON } from '../work/common';
import type { MissingFigure } from '../figures/missing';
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
  readonly share: number | undefined;
  readonly narrowest: Narrowest | undefined;
  readonly missing: readonly MissingFigure[];
}

/** What a directed link of the board carries in a sitting. */
export interface Streams {
  /** Real-time loads on directed links in bytes/s, explicit streams only. */
  readonly loads: ReadonlyMap<string, number>;
  /** The same loads on links that several devices share, by the key that demands use. */
  readonly onUplinks: ReadonlyMap<string, number>;
  /** `behind` asks for an elastic stream, which gets only what the real-time ones leave. */
  readonly shareOf: (flow: Flow, behind?: boolean) => StreamShare;
  /** Max-min fair bytes/s of elastic streams on what the real-time ones leave, in order. */
  readonly fair: (flows: readonly Flow[]) => number[];
  readonly linksOf: (flow: Flow) => readonly string[];
}

const NOTHING: Streams = {
  loads: new Map(),
  onUplinks: new Map(),
  shareOf: () => ({ share: undefined, narrowest: undefined, missing: [] }),
  fair: (flows) => flows.map((flow) => flow.bytesPerS),
  linksOf: () => [],
};

/**
 * Streams of a sitting on the placed links: the real-time ones first, each with its share of the narrowest link
 * (capacity ÷ load), the elastic ones max-min fair on what is left. `implied` holds what the tasks' own demands put on
 * shared links. A drive's or network card's own rate bounds a stream as a link does.
 */
export function streamsOf(flows: readonly Flow[], setting: Setting, implied: ReadonlyMap<string, number>): Streams {
  const { board, placement, supply } = setting;
  if (!board || !placement) return NOTHING;
  const endOf = (item: string): End | undefined => {
    const slot = board.slotById.get(placement.placed.get(item)?.slot ?? '');
    if (slot) return { link: slot.id, path: slot.path };
    const integrated = board.integrated.find((entry) => entry.id === item);
    return integrated && { link: integrated.id, path: integrated.path };
  };
  const bySlot = new Map([...placement.placed.values()].map((placed) => [placed.slot, placed.bytesPerS]));
  const loads = linkLoads(flows, endOf);
  const shared = new Set(board.slots.flatMap((slot) => slot.path));
  const placeOf = (key: string) => key.slice(0, key.lastIndexOf(':'));
  const capacity = (key: string): number | undefined => {
    const coded = capacityOf(board, (slot) => bySlot.get(slot), key);
    return coded === undefined ? undefined : coded * COMMON.linkAchieved.value;
  };
  const loadOn = (key: string) => (loads.get(key) ?? 0) + (implied.get(`uplink:${key}`) ?? 0);
  const labelOf = (key: string): string => {
    const place = placeOf(key);
    return (
      board.hubs.get(place)?.label ??
      board.slotById.get(place)?.label ??
      board.integrated.find((entry) => entry.id === place)?.label ??
      place
    );
  };
  return {
    loads,
    onUplinks: new Map(
      [...loads].flatMap(([key, value]) => (shared.has(placeOf(key)) ? [[`uplink:${key}`, value] as const] : [])),
    ),
    shareOf: (flow, behind = false) => {
      let share: number | undefined;
      let narrowest: Narrowest | undefined;
      const missing: MissingFigure[] = [];
      const take = (here: number, at: Narrowest) => {
        if (share !== undefined && share <= here) return;
        share = here;
        narrowest = at;
      };
      const linkAt = (key: string): Narrowest => ({
        kind: 'link',
        place: placeOf(key),
        shared: shared.has(placeOf(key)),
        label: `link of ${labelOf(key)}`,
      });
      let unknown = false;
      for (const key of linksCrossed(flow, endOf)) {
        const limit = capacity(key);
        if (limit === undefined) unknown = true;
        else if (behind) take(Math.max(0, limit - loadOn(key)) / flow.bytesPerS, linkAt(key));
        else take(limit / loadOn(key), linkAt(key));
      }
      for (const [item, direction] of [
        [flow.from, 'up'],
        [flow.to, 'down'],
      ] as const) {
        const end = endOf(item);
        const served = (end && loads.get(linkKey(end.link, direction))) ?? 0;
        const runBytes = flow.runBytes === undefined ? undefined : flow.runBytes * Math.max(1, served / flow.bytesPerS);
        const own = supply.deviceRate(item, direction, runBytes);
        if (!own) continue;
        missing.push(...own.missing);
        if (own.rate === undefined) unknown = true;
        else {
          take(
            behind
              ? Math.max(0, own.rate.value - served) / flow.bytesPerS
              : own.rate.value / (served || flow.bytesPerS),
            { kind: 'device', place: item, shared: false, label: own.rate.label },
          );
        }
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
