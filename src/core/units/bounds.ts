import { z } from 'zod';

/**
 * What a figure of each unit can be at all: bounds that any real part of the next twenty years keeps within, and that
 * keep slips of the hand and hostile files out. Schemas are made with them, and forms, columns and the JSON Schema from
 * the schemas.
 */
export const UNIT_BOUNDS = {
  '': [1e-3, 1e6],
  '× reference core': [1e-3, 1e3],
  '× board power': [0.5, 10],
  'Gtriangles/s': [1e-4, 1e5],
  'Grays/s': [1e-5, 1e5],
  'TFLOP/s': [1e-5, 1e6],
  GFLOP: [1e-9, 1e15],
  Gwork: [1e-9, 1e12],
  'Mpx/s': [1e-3, 1e8],
  'MT/s': [100, 1e6],
  'GB/s': [1e-3, 1e6],
  'MB/s': [1e-3, 1e7],
  'Gb/s': [1e-3, 1e5],
  'kIO/s': [1e-3, 1e7],
  GHz: [1e-3, 1e3],
  Hz: [1, 1e5],
  rpm: [1, 1e6],
  GiB: [1e-6, 1e7],
  MiB: [1e-3, 1e8],
  GB: [1e-6, 1e9],
  TBW: [1e-3, 1e9],
  'a bit': [1e-30, 1e-3],
  W: [1e-4, 1e5],
  A: [1e-4, 1e4],
  V: [1e-2, 1e3],
  'K/W': [1e-5, 1e4],
  '°C': [1, 300],
  'dB(A)': [0.1, 150],
  'm³/h': [1e-2, 1e5],
  Pa: [1e-3, 1e5],
  px: [1, 1e6],
  mm: [1e-2, 1e4],
  in: [0.1, 1e3],
  L: [1e-2, 1e5],
  g: [1e-2, 1e7],
  slots: [0.1, 20],
  cycles: [1, 1e5],
  s: [1e-3, 1e7],
  min: [1e-4, 1e7],
  h: [1e-3, 1e6],
  months: [1, 1200],
  'working days': [0, 3650],
} as const satisfies Readonly<Record<string, readonly [least: number, most: number]>>;
export type BoundedUnit = keyof typeof UNIT_BOUNDS;

/** A figure above zero, within what its unit can be. */
export function quantity(unit: BoundedUnit) {
  const [least, most] = UNIT_BOUNDS[unit];
  return z.number().positive({ abort: true }).min(least).max(most);
}

/** A figure that may truly be zero. */
export const quantityFromZero = (unit: BoundedUnit) => z.number().min(0).max(UNIT_BOUNDS[unit][1]);

/** Pieces of one kind in one part: ports, modules, fans, bays. Whatever is laid out one by one keeps within it. */
export const MOST_PIECES = 512;

/** A whole number of pieces, at least one. */
export const pieces = (most = MOST_PIECES) => z.number().int().positive({ abort: true }).max(most);

/** A whole number of pieces that may be none. */
export const piecesOrNone = (most = MOST_PIECES) => z.number().int().min(0).max(most);

/** Numbers of people and pieces that are told and never laid out: ratings, pieces in stock. */
export const tally = () => z.number().int().min(0).max(1e9);

const MOST_MONEY = 1e13;

/** Money in minor units of its currency, none of it included. */
export const minorUnits = (why?: string) => z.number().int().nonnegative(why).max(MOST_MONEY);

/** A price or target, in minor units: never nothing. */
export const priceMinor = (why?: string) => z.number().int().positive(why).max(MOST_MONEY);

/** A list as long as a part or a task can have one. */
export const listOf = <T extends z.ZodType>(entry: T, most = 256) =>
  z.array(entry).max(most, `has more than ${most} entries`);
