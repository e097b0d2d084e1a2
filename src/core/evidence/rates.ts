import { given, product, type Derivation } from '../predict/derive';
import type { Comparable } from './calibrate';
import type { Workload } from './measurement';
import { predictWorkload, type Measurable } from './predict';
import { noiseOf, shrunk, type Factor } from './shrinkage';

/** What results say of a rate: a factor on what is stated, or the rate itself where nothing is. */
export type TaughtRate =
  | { readonly kind: 'factor'; readonly factor: Factor }
  | {
      readonly kind: 'rate';
      readonly bytesPerS: number;
      readonly spread: number;
      readonly count: number;
      /** Bytes of the shortest run behind it: longer ones may fill a cache that nobody stated. */
      readonly upToBytes: number;
      /** Seen in this machine, so through the link that it has here. */
      readonly inPlace: boolean;
    };

export interface Rates {
  readonly memory: TaughtRate | undefined;
  /** By the drive's part and direction. */
  readonly drives: ReadonlyMap<string, Partial<Record<'read' | 'write', TaughtRate>>>;
}

export const NO_RATES: Rates = { memory: undefined, drives: new Map() };

/**
 * Whether results of this work teach a rate that tasks use: sequential runs of a drive, and memory streams on all of
 * the machine's threads (fewer may be what bounds them).
 */
export const teachesRate = (workload: Workload, threads: number | undefined): boolean =>
  workload.work === 'drive'
    ? workload.access === 'sequential'
    : workload.work === 'memory' && threads !== undefined && workload.threads >= threads;

/** Rates that calibrating results teach. Results on stated parts shrink towards what is stated, as factors do. */
export function ratesOf(comparable: readonly Comparable[], machine: Measurable): Rates {
  const threads = machine.supply.processor?.threads;
  const teaching = comparable.filter(
    ({ measurement: { unit, workload } }) => unit === 'MB/s' && teachesRate(workload, threads),
  );
  if (teaching.length === 0) return NO_RATES;
  const memory = teaching.filter(({ measurement }) => measurement.workload.work === 'memory');
  const drives = new Map<string, Partial<Record<'read' | 'write', TaughtRate>>>();
  for (const about of new Set(teaching.flatMap((each) => each.about ?? [])))
    for (const direction of ['read', 'write'] as const) {
      const group = teaching.filter(
        ({ measurement: { workload }, about: part }) =>
          part === about && workload.work === 'drive' && workload.direction === direction,
      );
      if (group.length > 0) drives.set(about, { ...drives.get(about), [direction]: taught(group, machine) });
    }
  return { memory: memory.length === 0 ? undefined : taught(memory, machine), drives };
}

function taught(group: readonly Comparable[], machine: Measurable): TaughtRate {
  const seen = group.map(({ measurement, apart, about }) => ({
    measurement,
    apart,
    band: predictWorkload(measurement.workload, machine, undefined, about).band,
    noise: Math.hypot(noiseOf(measurement), apart),
  }));
  const stated = seen.flatMap(({ measurement, band, noise }) =>
    band ? [{ logRatio: Math.log(measurement.value / band.likely), noise, prior: band.high / band.likely }] : [],
  );
  if (stated.length > 0) {
    const factor = shrunk(stated, Math.max(...stated.map(({ prior }) => prior)));
    return { kind: 'factor', factor };
  }
  // nothing to shrink towards: the results are all that is known
  const rate = shrunk(
    seen.map(({ measurement, noise }) => ({ logRatio: Math.log(measurement.value * 1e6), noise })),
    Infinity,
  );
  return {
    kind: 'rate',
    bytesPerS: rate.factor,
    spread: rate.spread,
    count: rate.count,
    upToBytes: Math.min(...seen.map(({ measurement: { workload } }) => bytesOf(workload))),
    inPlace: seen.some(({ apart }) => apart === 0),
  };
}

const bytesOf = (workload: Workload): number =>
  workload.work === 'drive' && workload.gigabytes !== undefined ? workload.gigabytes * 1e9 : 0;

const SEEN = 'evidence of this machine or ones like it';

/** A rate as results say: what is stated times a factor, or the measured one where nothing is stated. */
export function taughtRate(
  label: string,
  stated: Derivation | undefined,
  by: TaughtRate | undefined,
): Derivation | undefined {
  if (by === undefined) return stated;
  if (by.kind === 'rate')
    return stated ?? { ...given(`${label}, measured`, by.bytesPerS, 'B/s', 'measurement', SEEN), spread: by.spread };
  return (
    stated && {
      ...product(label, stated.unit, [
        stated,
        given('measured against stated', by.factor.factor, '×', 'measurement', SEEN),
      ]),
      spread: by.factor.spread,
    }
  );
}
