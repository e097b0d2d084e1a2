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

/**
 * Peak bandwidth in bytes/s: rate × 8 bytes × channels populated (the two sub-channels of DDR5 make the same 8 bytes).
 * Source: JESD79-4, JESD79-5. @example bandwidthBytesPerS(5600, 2) // 89.6e9
 */
export const bandwidthBytesPerS = (rateMTs: number, channels: number): number => rateMTs * 1e6 * 8 * channels;
