import type { CoreGroup } from '../parts/processor';
import type { PartOf } from '../parts';
import { fullName } from '../model/fitted';
import { COMMON } from '../work/common';
import { fromConstant, given, product, sum, type Derivation } from '../figures/derive';

/** Rates of a processor in Gwork/s, or the names of the figures that keep them unknown. */
export interface ProcessorRates {
  readonly serial: Derivation | undefined;
  /** Rate of all cores that `threads` threads can use. */
  readonly parallel: (threads: number) => Derivation | undefined;
  readonly threads: number;
  readonly missing: readonly string[];
}

/** Gwork/s of one core at a clock: work per clock × GHz. */
function coreRate(group: CoreGroup, clock: 'boostGHz' | 'allCoreGHz', where: string): Derivation | undefined {
  const ghz = group[clock];
  if (ghz === undefined || group.workPerClock === undefined) return undefined;
  return product(`${group.kind} core`, 'Gwork/s', [
    given(clock === 'boostGHz' ? 'boost clock' : 'all-core clock at full power', ghz, 'GHz', 'part', where),
    given('work per clock', group.workPerClock, '× reference core', 'part', where),
  ]);
}

/**
 * Serial rate is the best core's boost; parallel rate adds cores from the fastest down, one thread each, then second
 * threads at the common gain. Clocks are the full-power ones: what heat and power
 * limits leave of them is a factor, see `clocks.ts`.
 */
export function processorRates(processor: PartOf<'processor'>): ProcessorRates {
  const where = fullName(processor);
  const groups = processor.coreGroups;
  if (!groups) return { serial: undefined, parallel: () => undefined, threads: 0, missing: ['coreGroups'] };
  const known = groups.every((group) => group.workPerClock !== undefined);
  const serialOf = groups.map((group) => coreRate(group, 'boostGHz', where));
  const serialKnown = serialOf.filter((rate) => rate !== undefined);
  const best =
    serialKnown.length === groups.length ? serialKnown.reduce((a, b) => (b.value > a.value ? b : a)) : undefined;
  const rates = groups.flatMap((group) => {
    const rate = coreRate(group, 'allCoreGHz', where);
    return rate ? [{ group, rate }] : [];
  });
  const complete = rates.length === groups.length;
  const gain = COMMON.secondThreadGain.value;
  const cache = new Map<number, Derivation>();
  const parallel = (threads: number): Derivation | undefined => {
    if (!complete) return undefined;
    const total = groups.reduce((all, group) => all + group.count * group.threadsPerCore, 0);
    const used = Math.max(1, Math.min(threads, total));
    const cached = cache.get(used);
    if (cached) return cached;
    let left = used;
    const terms: Derivation[] = [];
    const sorted = [...rates].sort((a, b) => b.rate.value - a.rate.value);
    for (const { group, rate } of sorted) {
      const cores = Math.min(left, group.count);
      if (cores > 0)
        terms.push(
          product(`${cores} ${group.kind} cores`, 'Gwork/s', [given('cores', cores, '', 'part', where), rate]),
        );
      left -= cores;
    }
    for (const { group, rate } of sorted) {
      const second = Math.min(left, group.count * (group.threadsPerCore - 1));
      if (second > 0)
        terms.push(
          product(`second threads of ${second} cores`, 'Gwork/s', [
            given('cores', second, '', 'part', where),
            rate,
            fromConstant('gain of a second thread', { ...COMMON.secondThreadGain, value: gain - 1 }),
          ]),
        );
      left -= second;
    }
    const result = sum('all cores together', 'Gwork/s', terms);
    cache.set(used, result);
    return result;
  };
  return {
    serial: best,
    parallel,
    threads: groups.reduce((all, group) => all + group.count * group.threadsPerCore, 0),
    missing: known && complete && best ? [] : ['coreGroups'],
  };
}
