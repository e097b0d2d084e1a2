import { NEPERS_A_DECIBEL, type AcceptanceTest } from './acceptance';

/** What was read of one test. */
export interface Reading {
  readonly value: number;
  /** °C of the room when it was read, where that is known; else the brief's. */
  readonly roomC?: number | undefined;
}
/** Readings by test. */
export type Readings = Readonly<Record<string, Reading>>;

/** Why a reading is not believed. */
export type Doubt =
  /** More than these parts can do. */
  | 'beyond'
  /** An eighth, or eight times, of what is expected: bits taken for bytes. */
  | 'bits'
  /** A whole file was read from memory, or never left it. */
  | 'cached'
  /** Nothing ran: power as at rest, or no warmer than the room. */
  | 'no-load'
  /** Colder than the room. */
  | 'colder';

export interface Judged {
  readonly test: AcceptanceTest;
  readonly reading: Reading;
  readonly verdict: 'passes' | 'short' | 'implausible';
  readonly doubt: Doubt | undefined;
  /** Nepers from what is expected: 0 as expected, below 0 less than that. */
  readonly off: number;
}

/** What no machine departs by without being another machine, nepers; readings of nothing come to this. */
const MOST = 3;
/** As near to a factor of eight as readings of one thing are to each other; a tenth, as of a slower network, is not. */
const NEAR_EIGHT = Math.log(1.12);
/** Of its expected rise or power a machine at load has at least this share, however it was put together. */
const LEAST_LOAD = 0.25;
/** A part that holds itself at its limit swings around it by so much, K. */
const AT_ITS_LIMIT_K = 1;
/** What is shown of exact figures is rounded. */
const ROUNDED = 0.02;

/** Nepers of a reading from what is expected, limited to 3 either way. */
export function offOf({ scale, likely }: AcceptanceTest, { value, roomC }: Reading, briefRoomC: number): number {
  const held = (nepers: number): number => Math.max(-MOST, Math.min(MOST, Number.isNaN(nepers) ? -MOST : nepers));
  switch (scale) {
    case 'count':
      // whether there are any tells more than how many
      return value > likely ? 1 : 0;
    case 'level':
      return held((value - likely) * NEPERS_A_DECIBEL);
    case 'rise':
      return held(Math.log(Math.max(0, value - (roomC ?? briefRoomC)) / Math.max(1, likely - briefRoomC)));
    case 'ratio':
      return held(Math.log(value / likely));
  }
}

/**
 * The figure that passes in a room of this temperature: what warms with the room is shifted with it, but never beyond the
 * point to which a part holds itself; one that is expected there may be there in any room.
 */
export function limitIn({ scale, limit, likely, heldAt }: AcceptanceTest, roomC: number, briefRoomC: number): number {
  if (scale !== 'rise') return limit;
  if (heldAt === undefined) return limit + roomC - briefRoomC;
  if (likely >= heldAt - AT_ITS_LIMIT_K) return heldAt + AT_ITS_LIMIT_K;
  // what may be as warm as its own limit may be so in any room
  return limit >= heldAt ? heldAt : Math.min(limit + roomC - briefRoomC, heldAt);
}

/** A reading against its test: whether it can be, and whether it is enough. */
export function judge(test: AcceptanceTest, reading: Reading, briefRoomC: number): Judged {
  const off = offOf(test, reading, briefRoomC);
  const doubt = doubtOf(test, reading, off, briefRoomC);
  const limit = limitIn(test, reading.roomC ?? briefRoomC, briefRoomC);
  const { value } = reading;
  const holds =
    test.passes === 'least'
      ? value >= limit * (1 - 1e-9)
      : test.passes === 'most'
        ? value <= limit + 1e-9
        : Math.abs(value - limit) <= Math.abs(limit) * ROUNDED;
  return {
    test,
    reading,
    off,
    doubt,
    verdict: doubt !== undefined ? 'implausible' : holds ? 'passes' : 'short',
  };
}

function doubtOf(test: AcceptanceTest, reading: Reading, off: number, briefRoomC: number): Doubt | undefined {
  const { value, roomC = briefRoomC } = reading;
  if (test.scale === 'rise') {
    if (value < roomC - 1) return 'colder';
    return test.code !== 'drive-heat' && value - roomC < LEAST_LOAD * (test.likely - briefRoomC)
      ? 'no-load'
      : undefined;
  }
  if (test.unit === 'W' && value < LEAST_LOAD * test.likely) return 'no-load';
  if (test.scale !== 'ratio' || test.passes === 'exactly') return undefined;
  const aboveAll = test.ceiling !== undefined && value > test.ceiling * 1.02;
  const rate = test.unit === 'MB/s' || test.unit === 'Gb/s';
  if (rate && Math.abs(Math.abs(off) - Math.log(8)) < NEAR_EIGHT && (off > 0 || test.unit === 'Gb/s')) return 'bits';
  if (aboveAll) return test.code.startsWith('drive-') ? 'cached' : 'beyond';
  return undefined;
}

/** All readings against their tests, in the tests' order; readings of tests that are no more are left out. */
export const judged = (tests: readonly AcceptanceTest[], readings: Readings, briefRoomC: number): Judged[] =>
  tests.flatMap((test) => {
    const reading = readings[test.id];
    return reading ? [judge(test, reading, briefRoomC)] : [];
  });
