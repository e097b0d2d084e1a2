/**
 * First-word latency in ns: 2000 × CL ÷ rate, because the clock runs at half the transfer rate. Source: definition.
 * @throws RangeError unless both are above 0
 * @example latencyNs(36, 5600) // 12.857
 */
export function latencyNs(cycles: number, rateMTs: number): number {
  if (!(cycles > 0 && rateMTs > 0))
    throw new RangeError(`latency needs cycles and rate above 0, got ${cycles} and ${rateMTs}`);
  return (2000 * cycles) / rateMTs;
}

/** Cycles of a kit as its label gives them. */
export interface Cycles {
  readonly cl: number | undefined;
  readonly rcd: number | undefined;
  readonly rp: number | undefined;
  readonly ras: number | undefined;
}

/** What an access takes in ns, by the state its row is in; a cycle is the shortest time between two rows of a bank. */
export interface AccessNs {
  readonly open: number | undefined;
  readonly closed: number | undefined;
  readonly conflict: number | undefined;
  readonly cycle: number | undefined;
}

/**
 * Access times in ns: open row CL, closed row RCD + CL, conflict RP + RCD + CL, cycle RAS + RP, each at the clock of
 * `rateMTs`. What lacks a figure stays undefined. Source: JESD79-4, JESD79-5 (command timing).
 * @example accessNs({ cl: 36, rcd: 38, rp: 38, ras: 80 }, 5600).closed // 26.43
 */
export function accessNs({ cl, rcd, rp, ras }: Cycles, rateMTs: number): AccessNs {
  const ns = (...cycles: readonly (number | undefined)[]): number | undefined => {
    let sum = 0;
    for (const part of cycles) {
      if (part === undefined) return undefined;
      sum += part;
    }
    return latencyNs(sum, rateMTs);
  };
  return { open: ns(cl), closed: ns(rcd, cl), conflict: ns(rp, rcd, cl), cycle: ns(ras, rp) };
}

/** How tight a kit is, as practitioners look at it; heuristics, not faults of ordinary kits. */
export interface Tightness {
  /** CL : RCD : RP side by side, in clocks of the rate they are sold for. */
  readonly cycles: readonly [cl: number, rcd: number, rp: number];
  /** First word ÷ 10 ns, which good kits of every generation come near to. */
  readonly firstWordOfTen: number;
  /** Row-active time, and the CL + RCD that the tuning heuristic takes for ideal, both in ns. */
  readonly rowActiveNs: number | undefined;
  readonly idealRowActiveNs: number;
}

/**
 * How tight a kit is at the rate its timings are sold for; undefined where one of CL, RCD and RP is not stated. Source:
 * definitions; RAS ≈ CL + RCD is a named tuning heuristic.
 * @example tightness({ cl: 36, rcd: 38, rp: 38, ras: 80 }, 5600) // reads 36:38:38, 1.286 of 10 ns, 28.6 against 26.4 ns
 */
export function tightness({ cl, rcd, rp, ras }: Cycles, rateMTs: number | undefined): Tightness | undefined {
  if (cl === undefined || rcd === undefined || rp === undefined || rateMTs === undefined) return undefined;
  return {
    cycles: [cl, rcd, rp],
    firstWordOfTen: latencyNs(cl, rateMTs) / 10,
    rowActiveNs: ras === undefined ? undefined : latencyNs(ras, rateMTs),
    idealRowActiveNs: latencyNs(cl + rcd, rateMTs),
  };
}

/**
 * Peak bandwidth in bytes/s: rate × 8 bytes × channels populated (the two sub-channels of DDR5 make the same 8 bytes).
 * Source: JESD79-4, JESD79-5. @example bandwidthBytesPerS(5600, 2) // 89.6e9
 */
export const bandwidthBytesPerS = (rateMTs: number, channels: number): number => rateMTs * 1e6 * 8 * channels;
