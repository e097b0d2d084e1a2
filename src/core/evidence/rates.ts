import { NO_RATES, type Rates, type TaughtRate } from '../predict/rates';
import type { Comparable } from './comparable';
import type { Workload } from '../model/measurement';
import { predictWorkload, type Measurable } from './predict';
import { noiseOf, shrunk } from './shrinkage';

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
