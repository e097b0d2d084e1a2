import type { Assessment } from '../assess';
import { given, product, type Derivation } from '../predict/derive';
import type { Expanded } from '../work/stage';
import { EVIDENCE } from './constants';
import type { Measurement, Workload } from './measurement';
import { subjectOf } from './comparable';
import { piecesOf, predictWorkload, type Measurable, type Prediction } from './predict';
import { ratesOf, teachesRate, type Rates } from './rates';
import { noiseOf, shrunk, type Factor, type Seen } from './shrinkage';

/** What measurements of one machine, or of ones like it, teach the model. */
export interface Calibration {
  readonly works: ReadonlyMap<string, Factor>;
  /** What more than one thread gives against what the cores promise. */
  readonly threads: Factor;
  /** What memory and drives were seen to do. */
  readonly rates: Rates;
  /** Results behind it that were measured on other machines, or on parts that are no longer here. */
  readonly borrowed: number;
}

const UNTAUGHT: Factor = { factor: 1, spread: EVIDENCE.threadGain.spread, count: 0 };

/**
 * A measurement and how alike its machine is: `about` is the part of this machine that it speaks of, `apart` the
 * ln-spread between the two, 0 for the same.
 */
export interface Comparable {
  readonly measurement: Measurement;
  readonly about: string | undefined;
  readonly apart: number;
}

/**
 * Whether results of this work can calibrate: one kind of picture work by itself, memory with all threads, a drive in
 * one piece. Others are compared only.
 */
export const teaches = (workload: Workload, threads: number | undefined): boolean =>
  piecesOf(workload).length === 1 || teachesRate(workload, threads);

/**
 * Learns from measurements marked to calibrate: first what each kind of work costs, from runs on one thread, then what
 * more threads give, from runs on several; a kind of work only seen on several threads is learnt last.
 */
export function calibrationOf(comparable: readonly Comparable[], machine: Measurable): Calibration {
  const calibrating = comparable.filter(({ measurement }) => measurement.use === 'calibrate');
  const usable = calibrating.filter(({ measurement }) => piecesOf(measurement.workload).length === 1);
  const works = new Map<string, Factor>();
  const learn = (several: boolean, threads: Factor) => {
    const seen = new Map<string, { seen: Seen[]; prior: number }>();
    for (const { measurement, apart } of usable) {
      const [piece] = piecesOf(measurement.workload);
      if (!piece || !('threads' in measurement.workload) || measurement.workload.threads > 1 !== several) continue;
      const predicted = predictWorkload(measurement.workload, machine, { threads }).band;
      if (!predicted || (several && works.has(piece.name))) continue;
      const entry = seen.get(piece.name) ?? { seen: [], prior: piece.amount.spread };
      entry.seen.push({
        logRatio: Math.log(measurement.value / predicted.likely),
        noise: Math.hypot(noiseOf(measurement), apart),
      });
      seen.set(piece.name, entry);
    }
    for (const [name, entry] of seen) works.set(name, shrunk(entry.seen, entry.prior));
  };
  learn(false, UNTAUGHT);
  const gains = usable.flatMap(({ measurement, apart }): Seen[] => {
    const { workload } = measurement;
    const [piece] = piecesOf(workload);
    if (!piece || !('threads' in workload) || workload.threads < 2 || !works.has(piece.name)) return [];
    const predicted = predictWorkload(workload, machine, { works, threads: UNTAUGHT }).band;
    return predicted
      ? [{ logRatio: Math.log(measurement.value / predicted.likely), noise: Math.hypot(noiseOf(measurement), apart) }]
      : [];
  });
  const threads = gains.length === 0 ? UNTAUGHT : shrunk(gains, EVIDENCE.threadGain.spread);
  learn(true, threads);
  const borrowed = calibrating.filter(
    ({ measurement, apart }) => apart > 0 && teaches(measurement.workload, machine.supply.processor?.threads),
  ).length;
  return { works, threads, rates: ratesOf(calibrating, machine), borrowed };
}

/** A task's demands as the machine's own measurements say: the factor's spread takes the place of the constants'. */
export function calibrated(expanded: Expanded, { works, threads }: Pick<Calibration, 'works' | 'threads'>): Expanded {
  if (works.size === 0 && threads.count === 0) return expanded;
  const taught = (amount: Derivation, factor: number, spread: number, what: string): Derivation => ({
    ...product(amount.label, amount.unit, [
      amount,
      given(what, 1 / factor, '×', 'measurement', 'evidence of this machine or ones like it'),
    ]),
    spread,
  });
  return {
    ...expanded,
    demands: expanded.demands.map((demand) => {
      if (!demand.resource.startsWith('cpu.')) return demand;
      const known = demand.work === undefined ? undefined : works.get(demand.work);
      let { amount } = demand;
      if (known) amount = taught(amount, known.factor, known.spread, 'measured against predicted');
      if (demand.resource === 'cpu.parallel' && threads.count > 0 && expanded.threadCap > 1)
        amount = taught(amount, threads.factor, amount.spread, 'measured gain of threads');
      return amount === demand.amount ? demand : { ...demand, amount };
    }),
  };
}

/** A measurement beside what the model says of it. */
export interface Compared {
  readonly measurement: Measurement;
  /** The part that was measured is no longer in the machine: nothing is predicted of it. */
  readonly former: boolean;
  /** Without and with what the calibrating measurements taught. */
  readonly plain: Prediction;
  readonly taught: Prediction;
  /** Predicted ÷ measured − 1, with what was taught; undefined without a prediction. */
  readonly error: number | undefined;
}

export function compare(measurements: readonly Measurement[], assessment: Assessment): Compared[] {
  const { parts, calibration } = assessment.facts;
  return measurements.map((measurement): Compared => {
    const { workload, part } = measurement;
    const drive = workload.work === 'drive' && parts.ofKind('drive').some((fitted) => fitted.part.id === part);
    if (part !== undefined && !drive && part !== subjectOf(workload, parts)) {
      const gone: Prediction = { band: undefined, lacks: ['the part that was measured, which is no longer here'] };
      return { measurement, former: true, plain: gone, taught: gone, error: undefined };
    }
    const plain = predictWorkload(workload, assessment, undefined, part);
    const taught = predictWorkload(workload, assessment, calibration, part);
    const error = taught.band && taught.band.likely / measurement.value - 1;
    return { measurement, former: false, plain, taught, error };
  });
}

/** Median of the sizes of errors; undefined of none. */
export function medianError(compared: readonly Compared[]): number | undefined {
  const sizes = compared.flatMap(({ error }) => (error === undefined ? [] : [Math.abs(error)])).sort((a, b) => a - b);
  const middle = sizes.length >> 1;
  const upper = sizes[middle];
  if (upper === undefined) return undefined;
  return sizes.length % 2 === 1 ? upper : (upper + (sizes[middle - 1] ?? upper)) / 2;
}
