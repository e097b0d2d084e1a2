import { isOf } from '../figures/resources';
import type { Calibration } from './calibration';
import type { Comparable } from './comparable';
import { given, product, type Derivation } from '../figures/derive';
import type { Expanded } from '../work/stage';
import { EVIDENCE } from './constants';
import type { Workload } from '../model/measurement';
import { piecesOf } from './pieces';
import { predictWorkload, type Measurable } from './predict';
import type { Factor } from '../predict/rates';
import { ratesOf, teachesRate } from './rates';
import { noiseOf, shrunk, type Seen } from './shrinkage';

const UNTAUGHT: Factor = { factor: 1, spread: EVIDENCE.threadGain.spread, count: 0 };

/**
 * Whether results of this work can calibrate: one kind of work by itself, memory with all threads, a drive in one piece.
 * Others are compared only.
 */
export const teaches = (workload: Workload, { supply, facts }: Measurable): boolean =>
  piecesOf(workload, facts.parts).length === 1 || teachesRate(workload, supply.processor?.threads);

/**
 * Learns from measurements marked to calibrate: first what each kind of work costs, from runs on one thread, then what
 * more threads give, from runs on several; a kind of work only seen on several threads is learnt last.
 */
export function calibrationOf(comparable: readonly Comparable[], machine: Measurable): Calibration {
  const pieces = (workload: Workload) => piecesOf(workload, machine.facts.parts);
  const calibrating = comparable.filter(({ measurement }) => measurement.use === 'calibrate');
  const usable = calibrating.filter(({ measurement }) => pieces(measurement.workload).length === 1);
  const works = new Map<string, Factor>();
  const learn = (several: boolean, threads: Factor) => {
    const seen = new Map<string, { seen: Seen[]; prior: number }>();
    for (const { measurement, apart } of usable) {
      const [piece] = pieces(measurement.workload);
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
    const [piece] = pieces(workload);
    if (!piece || !('threads' in workload) || workload.threads < 2 || !works.has(piece.name)) return [];
    const predicted = predictWorkload(workload, machine, { works, threads: UNTAUGHT }).band;
    return predicted
      ? [{ logRatio: Math.log(measurement.value / predicted.likely), noise: Math.hypot(noiseOf(measurement), apart) }]
      : [];
  });
  const threads = gains.length === 0 ? UNTAUGHT : shrunk(gains, EVIDENCE.threadGain.spread);
  learn(true, threads);
  const borrowed = calibrating.filter(
    ({ measurement, apart }) => apart > 0 && teaches(measurement.workload, machine),
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
      if (!isOf(demand.resource, 'processor')) return demand;
      const known = demand.work === undefined ? undefined : works.get(demand.work);
      let { amount } = demand;
      if (known) amount = taught(amount, known.factor, known.spread, 'measured against predicted');
      if (demand.resource === 'cpu.parallel' && threads.count > 0 && expanded.threadCap > 1)
        amount = taught(amount, threads.factor, amount.spread, 'measured gain of threads');
      return amount === demand.amount ? demand : { ...demand, amount };
    }),
  };
}
