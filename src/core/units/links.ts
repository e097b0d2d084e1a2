/** Exact fraction of GB/s a lane and direction; kept as numerator and denominator so that no rounding creeps in. */
export interface Fraction {
  readonly num: number;
  readonly den: number;
}

/**
 * Rate of one lane in one direction in GB/s after line coding: generations 1 and 2 use 8b/10b, 3 to 5 use 128b/130b,
 * 6 uses flit mode (242 of 256 bytes). Transfer rates 2.5, 5, 8, 16, 32, 64 GT/s. Source: PCI Express Base
 * Specification, revisions 1.0 to 6.0. Packet overhead is not taken off, so these are upper bounds.
 */
const LANE_GBS: Readonly<Record<number, Fraction>> = {
  1: { num: 1, den: 4 },
  2: { num: 1, den: 2 },
  3: { num: 64, den: 65 },
  4: { num: 128, den: 65 },
  5: { num: 256, den: 65 },
  6: { num: 121, den: 16 },
};

/** A link as negotiated or as an end could do it. */
export interface Link {
  readonly generation: number;
  readonly lanes: number;
}

/**
 * GB/s of a link in one direction, as an exact fraction.
 * @throws RangeError for a generation that the standard does not have
 * @example linkFraction({ generation: 4, lanes: 4 }) // 512/65 = 7.877 GB/s
 */
export function linkFraction(link: Link): Fraction {
  const lane = LANE_GBS[link.generation];
  if (!lane) throw new RangeError(`there is no link generation ${link.generation}`);
  return { num: lane.num * link.lanes, den: lane.den };
}

/**
 * Bytes/s of a link in one direction.
 * @example linkBytesPerS({ generation: 4, lanes: 4 }) // 7.877e9
 */
export function linkBytesPerS(link: Link): number {
  const { num, den } = linkFraction(link);
  return (num * 1e9) / den;
}

/** A link runs at the older generation and the narrower width of its two ends. */
export function negotiate(a: Link, b: Link): Link {
  return { generation: Math.min(a.generation, b.generation), lanes: Math.min(a.lanes, b.lanes) };
}

/** SATA revision 3: 6 Gb/s with 8b/10b coding. Source: Serial ATA specification, revision 3.0. */
export const SATA_BYTES_PER_S = 600e6;
