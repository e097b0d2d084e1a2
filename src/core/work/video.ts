import { samplesPerPx, uncompressedBitsPerS, type Chroma } from '../units/quantity';

/** A picture that comes in over a video link. Size in px. */
export interface VideoFormat {
  readonly width: number;
  readonly height: number;
  readonly fps: number;
  readonly chroma: Chroma;
  readonly bitDepth: number;
}

/**
 * Picture alone, bit/s: samples of the visible pixels.
 * @example pictureBitPerS({ width: 1920, height: 1080, fps: 50, chroma: '4:2:2', bitDepth: 10 }) // 2.0736e9: 20 bits a pixel
 */
export const pictureBitPerS = (format: VideoFormat): number =>
  uncompressedBitsPerS(format, format.fps, format.chroma, format.bitDepth);

/**
 * Bits a pixel takes on the bus and in memory: samples of 8 bits as they are; 10 bits in 4:2:2 as three samples in a
 * 32-bit word, which is 128 bits for 6 pixels; in 4:4:4 three samples in one word; deeper ones in 16-bit words.
 * @example packedBitsPerPx({ chroma: '4:2:2', bitDepth: 10 }) // 21.33: 128 ÷ 6
 */
export function packedBitsPerPx({ chroma, bitDepth }: Pick<VideoFormat, 'chroma' | 'bitDepth'>): number {
  const samples = samplesPerPx(chroma);
  if (bitDepth <= 8) return samples * 8;
  if (bitDepth <= 10) return (samples * 32) / 3;
  return samples * 16;
}

/** @example busBitPerS({ width: 1920, height: 1080, fps: 50, chroma: '4:2:2', bitDepth: 10 }) // 2.212e9 */
export const busBitPerS = (format: VideoFormat): number =>
  format.width * format.height * format.fps * packedBitsPerPx(format);

/**
 * Whole raster, blanking included, as samples a line and lines, by active height and frame-rate family. Sources: SMPTE
 * ST 296 (720 lines), ST 274 and ST 2048-2 (1080 lines); UHD and 4096 × 2160 are carried as four such pictures, ST 2082-10.
 */
const RASTER: Readonly<Record<string, Readonly<Record<number, readonly [perLine: number, lines: number]>>>> = {
  '1280 720': { 24: [4125, 750], 25: [3960, 750], 30: [3300, 750], 50: [1980, 750], 60: [1650, 750] },
  '1920 1080': { 24: [2750, 1125], 25: [2640, 1125], 30: [2200, 1125], 50: [2640, 1125], 60: [2200, 1125] },
  '2048 1080': { 24: [2750, 1125], 25: [2640, 1125], 30: [2200, 1125], 50: [2640, 1125], 60: [2200, 1125] },
};

/** Bits of a sample pair on the wire; what exceeds 4:2:2 at 10 bits takes two such streams (SMPTE ST 425-1, ST 372). */
const WIRE_PAIR_BITS = 20;

/**
 * Wire rate with blanking, bit/s; undefined for a size or rate that the standards above do not state.
 * @example wireBitPerS({ width: 1920, height: 1080, fps: 50, chroma: '4:2:2', bitDepth: 10 }) // 2.97e9: 2640 × 1125 × 50 × 20
 */
export function wireBitPerS(format: VideoFormat): number | undefined {
  const quad = format.width >= 3840 && format.height >= 2160;
  const [width, height] = quad ? [format.width / 2, format.height / 2] : [format.width, format.height];
  const raster = RASTER[`${width} ${height}`]?.[Math.round(format.fps)];
  // 23.98, 29.97 and 59.94 run on the same rasters
  if (!raster || Math.abs(format.fps / Math.round(format.fps) - 1) > 0.0011) return undefined;
  const streams = format.chroma === '4:4:4' || format.bitDepth > 10 ? 2 : 1;
  return raster[0] * raster[1] * format.fps * WIRE_PAIR_BITS * streams * (quad ? 4 : 1);
}
