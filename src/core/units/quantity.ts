/**
 * Quantities are plain numbers whose unit stands in the name (`lengthMm`, `linkBytesPerS`). This file holds the few
 * conversions that are easy to get wrong; everything else is arithmetic.
 */

/** Binary gibibyte, the unit of memory modules and graphics memory, which the trade also writes "GB": 2^30 bytes. */
export const GIB = 2 ** 30;

/** Bits per second from bytes per second. */
export const bitsPerS = (bytesPerS: number): number => bytesPerS * 8;
/** Bytes per second from bits per second. */
export const bytesPerS = (bits: number): number => bits / 8;

/** Chroma subsampling, as the share of full-resolution samples that remain. */
export const CHROMA = ['4:2:0', '4:2:2', '4:4:4'] as const;
export type Chroma = (typeof CHROMA)[number];

/**
 * Samples a pixel: one luma sample and two chroma planes at their subsampling (ITU-R BT.601 notation).
 * @example samplesPerPx('4:2:2') // 2
 */
export function samplesPerPx(chroma: Chroma): number {
  switch (chroma) {
    case '4:2:0':
      return 1.5;
    case '4:2:2':
      return 2;
    case '4:4:4':
      return 3;
  }
}

export interface Picture {
  readonly width: number;
  readonly height: number;
}

export const pixels = (picture: Picture): number => picture.width * picture.height;

/**
 * Bit rate of uncompressed video, active picture only, in bits/s: pixels × samples a pixel × bits a sample × frames/s.
 * Source: definition; blanking is not included (wire rates are).
 * @example uncompressedBitsPerS({ width: 3840, height: 2160 }, 25, '4:2:2', 10) // 4.147e9
 */
export function uncompressedBitsPerS(picture: Picture, fps: number, chroma: Chroma, bitDepth: number): number {
  return pixels(picture) * samplesPerPx(chroma) * bitDepth * fps;
}

/** Throws when a promise of our own code is broken; the message names what was expected. */
export function invariant(condition: boolean, message: string): asserts condition {
  if (!condition) throw new Error(`broken promise: ${message}`);
}

/**
 * Rounds to `digits` significant digits, so that figures in data are stable and readable.
 * @example significant(123_456.789, 3) // 123000
 */
export function significant(value: number, digits = 6): number {
  return value === 0 || !Number.isFinite(value) ? value : Number(value.toPrecision(digits));
}
