import type { Assessment } from '../assess';
import { given, product, type Derivation } from '../predict/derive';
import type { Expanded } from '../work/stage';
import { EVIDENCE } from './constants';
import type { Measurement, Workload } from './measurement';
import { piecesOf, predictWorkload } from './predict';

/** Measured ÷ predicted of one kind of work: above 1 the machine is faster than the model said. */
export interface Factor {
  readonly factor: number;
  /** Factor within which the true one likely lies. */
  readonly spread: number;
  /** Measurements behind it. */
  readonly count: number;
}

/** What measurements of one machine, or of ones like it, teach the model. */
export interface Calibration {
  readonly works: ReadonlyMap<string, Factor>;
  /** What more than one thread gives against what the cores promise. */
  readonly threads: Factor;
}

const UNTAUGHT: Factor = { factor: 1, spread: EVIDENCE.threadGain.spread, count: 0 };

/** A measurement and how alike its machine is: `apart` is the ln-spread between the two machines, 0 for the same. */
export interface Comparable {
  readonly measurement: Measurement;
  readonly apart: number;
}

/** ln-spread of one measurement: its own runs as a range of about three spreads, never below 5 %. */
function noiseOf({ low, high }: Measurement): number {
  if (low === undefined || high === undefined || high <= low) return EVIDENCE.ownNoise.value;
  return Math.max(0.05, Math.log(high / low) / 3);
}

interface Seen {
  readonly logRatio: number;
  readonly noise: number;
}

/**
 * Log-normal shrinkage: the model's own doubt is the prior around 1, each measurement counts by its noise, so few or
 * noisy ones move the factor little; what does not carry over to other sizes and pictures stays in doubt. Source:
 * conjugate normal model on logarithms.
 */
function shrunk(seen: readonly Seen[], priorSpread: number): Factor {
  const prior = Math.log(Math.max(priorSpread, 1.02));
  let weight = 1 / prior ** 2;
  let sum = 0;
  for (const { logRatio, noise } of seen) {
    weight += 1 / noise ** 2;
    sum += logRatio / noise ** 2;
  }
  const transfer = Math.log(EVIDENCE.transfer.value);
  return {
    factor: Math.exp(sum / weight),
    spread: Math.exp(Math.min(prior, Math.hypot(Math.sqrt(1 / weight), transfer))),
    count: seen.length,
  };
}

/** Whether results of this work can calibrate: one kind of picture work, by itself. Others are compared only. */
export const teaches = (workload: Workload): boolean => piecesOf(workload).length === 1;

type Machine = Parameters<typeof predictWorkload>[1];

/**
 * Learns from measurements marked to calibrate: first what each kind of work costs, from runs on one thread, then what
 * more threads give, from runs on several; a kind of work only seen on several threads is learnt last.
 */
export function calibrationOf(comparable: readonly Comparable[], machine: Machine): Calibration {
  const usable = comparable.filter(({ measurement: { use, workload } }) => use === 'calibrate' && teaches(workload));
  const works = new Map<string, Factor>();
  const learn = (several: boolean, known: Calibration) => {
    const seen = new Map<string, { seen: Seen[]; prior: number }>();
    for (const { measurement, apart } of usable) {
      const [piece] = piecesOf(measurement.workload);
      if (!piece || !('threads' in measurement.workload) || measurement.workload.threads > 1 !== several) continue;
      const predicted = predictWorkload(measurement.workload, machine, {
        works: new Map(),
        threads: known.threads,
      }).band;
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
  learn(false, { works, threads: UNTAUGHT });
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
  learn(true, { works, threads });
  return { works, threads };
}

/** A task's demands as the machine's own measurements say: the factor's spread takes the place of the constants'. */
export function calibrated(expanded: Expanded, { works, threads }: Calibration): Expanded {
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
  /** Without and with what the calibrating measurements taught. */
  readonly plain: ReturnType<typeof predictWorkload>;
  readonly taught: ReturnType<typeof predictWorkload>;
  /** Predicted ÷ measured − 1, with what was taught; undefined without a prediction. */
  readonly error: number | undefined;
}

export function compare(measurements: readonly Measurement[], assessment: Assessment): Compared[] {
  const calibration = assessment.facts.calibration;
  return measurements.map((measurement) => {
    const plain = predictWorkload(measurement.workload, assessment);
    const taught = predictWorkload(measurement.workload, assessment, calibration);
    return { measurement, plain, taught, error: taught.band && taught.band.likely / measurement.value - 1 };
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
