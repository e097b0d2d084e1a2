import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { machineSchema } from '../model/machine';
import { assessed, briefOf, dataOf, machineOf, type Change } from '../tests/world';
import { compare } from '../versus/measured';
import { teaches } from './calibrate';
import type { Measurement, Workload } from '../model/measurement';

const result = (workload: Workload, value: number, over: Partial<Measurement> = {}): Measurement => ({
  id: `m-${JSON.stringify(workload).length}-${value}`,
  workload,
  value,
  unit: 'MB/s',
  tool: 'fio',
  source: 'test',
  use: 'calibrate',
  ...over,
});
const read = (item?: string): Workload => ({
  work: 'drive',
  direction: 'read',
  access: 'sequential',
  ...(item ? { item: item as never } : {}),
});
const write = (gigabytes: number): Workload => ({
  work: 'drive',
  direction: 'write',
  access: 'sequential',
  item: 'ssd-1' as never,
  gigabytes,
});
const ALL_THREADS: Workload = { work: 'memory', threads: 16 };
const withResults = (evidence: readonly Measurement[], change: Change = {}) =>
  assessed({ ...change, machine: { ...change.machine, evidence } });
const rate = (assessment: ReturnType<typeof assessed>, resource: Parameters<typeof assessment.supply.of>[0]) =>
  assessment.supply.of(resource)?.rate;
/** Share of one result against the model's own doubt, and the factor it leaves: see the shrinkage of factors. */
const shrink = (ratio: number, prior: number, noise = 0.163) =>
  ratio ** (1 / noise ** 2 / (1 / noise ** 2 + 1 / Math.log(prior) ** 2));

describe('drives', () => {
  test('a slower read than stated lowers the rate by its share of the doubt: 7,000 stated, 3,500 measured', () => {
    const taught = withResults([result(read('ssd-1'), 3500)]);
    expect(rate(taught, 'read:active')?.value).toBeCloseTo(7000e6 * shrink(0.5, 1.15), -3);
    expect(rate(taught, 'read:active')).toMatchObject({ inputs: [{ label: 'sequential read', op: 'product' }, {}] });
    // the archive is another drive
    expect(rate(taught, 'read:archive')?.value).toBe(rate(assessed(), 'read:archive')?.value);
    expect(rate(taught, 'write:active')?.value).toBe(rate(assessed(), 'write:active')?.value);
  });

  test('a faster read than its link lets through stays at the link', () => {
    const taught = withResults(
      Array.from({ length: 6 }, (_, i) => result(read('ssd-1'), 20_000, { id: `m-${i}` as never })),
    );
    expect(rate(taught, 'read:active')?.value).toBeLessThan(7877e6);
  });

  test('writes within the cache and beyond are one factor on what is stated for that much', () => {
    const change: Change = { parts: { ssd: { seqWriteMBs: 6000, sustainedWriteMBs: 1500, writeCacheGB: 100 } } };
    // 200 GB: 100 at 6,000 MB/s and 100 at 1,500 take 83.3 s, 2,400 MB/s
    const rows = compare([result(write(200), 1200)], withResults([result(write(200), 1200)], change));
    expect(rows[0]?.plain.band?.likely).toBeCloseTo(2400, 6);
    const taught = withResults([result(write(200), 1200)], change);
    expect(rate(taught, 'write:active')?.value).toBeCloseTo(1500e6 * shrink(0.5, 1.15), -3);
    expect(taught.supply.written('active', 200e9)).toBeCloseTo(2400e6 * shrink(0.5, 1.15), -3);
  });

  test('what states nothing is known from results: reads at any length, writes no longer than what was run', () => {
    const change: Change = {
      parts: {
        ssd: { seqReadMBs: undefined, seqWriteMBs: undefined, sustainedWriteMBs: undefined, writeCacheGB: undefined },
      },
    };
    expect(rate(assessed(change), 'read:active')).toBeUndefined();
    const taught = withResults([result(read('ssd-1'), 900), result(write(2), 1400)], change);
    expect(rate(taught, 'read:active')?.value).toBeCloseTo(900e6, 0);
    expect(rate(taught, 'write:active')).toBeUndefined();
    expect(taught.supply.written('active', 2e9)).toBeCloseTo(1400e6, 0);
    expect(taught.supply.written('active', 2.1e9)).toBeUndefined();
  });

  test('a result that does not say which of two drives it was teaches nothing', () => {
    const taught = withResults([result(read(), 100)]);
    expect(taught.facts.calibration.rates.drives.size).toBe(0);
    expect(compare([result(read(), 100)], taught)[0]?.taught.lacks).toEqual(['which drive it was']);
  });

  test('random access is compared, not taught', () => {
    const random: Workload = { work: 'drive', direction: 'read', access: 'random', item: 'ssd-1' as never };
    expect(teaches(random, assessed())).toBe(false);
    expect(withResults([result(random, 100)]).facts.calibration.rates.drives.size).toBe(0);
  });
});

describe('memory', () => {
  test('streams on all threads correct the rate: 89.6 GB/s at the peak of two channels of 5,600', () => {
    const before = rate(assessed(), 'memory.traffic')?.value ?? 0;
    const taught = withResults([result(ALL_THREADS, before / 2e6)]);
    // the stated share of the peak has its own spread as prior
    expect(rate(taught, 'memory.traffic')?.value).toBeLessThan(before * 0.85);
    expect(rate(taught, 'memory.traffic')?.value).toBeGreaterThan(before * 0.5);
  });

  test('streams on fewer threads are bounded by those threads and teach nothing', () => {
    const few: Workload = { work: 'memory', threads: 2 };
    expect(teaches(few, assessed())).toBe(false);
    expect(withResults([result(few, 9000)]).facts.calibration.rates.memory).toBeUndefined();
  });

  test('memory that states no rate is known from what it was seen to do', () => {
    const change: Change = { parts: { kit: { rateMTs: undefined, standardRateMTs: undefined } } };
    expect(rate(assessed(change), 'memory.traffic')).toBeUndefined();
    const taught = withResults([result(ALL_THREADS, 50_000)], change);
    expect(rate(taught, 'memory.traffic')?.value).toBeCloseTo(50e9, -3);
    expect(rate(taught, 'memory.traffic')?.spread).toBeGreaterThan(1.15);
  });
});

describe('which part a result is about', () => {
  const ENCODE: Workload = {
    work: 'encode',
    width: 1920,
    height: 1080,
    threads: 1,
    target: { codec: 'h264', preset: 'medium', chroma: '4:2:0' },
  };
  const fps = (value: number, over: Partial<Measurement> = {}) => result(ENCODE, value, { unit: 'fps', ...over });
  const factorOf = (assessment: ReturnType<typeof assessed>) =>
    assessment.facts.calibration.works.get('encode h264 medium');
  const cpu = dataOf().parts.find((part) => part.kind === 'processor') as unknown as Record<string, unknown>;

  test('results of a processor that was taken out count for its family with more doubt, for a stranger not at all', () => {
    const evidence = [fps(30, { part: 'cpu' as never })];
    const swap = (family: string): Change => ({
      addParts: [{ ...cpu, id: 'cpu-2', family }],
      items: (items) => items.map((item) => (item['part'] === 'cpu' ? { ...item, part: 'cpu-2' } : item)),
    });
    const own = factorOf(withResults(evidence));
    const sister = withResults(evidence, swap('Tern'));
    expect(Math.abs(Math.log(factorOf(sister)?.factor ?? 1))).toBeLessThan(Math.abs(Math.log(own?.factor ?? 1)));
    expect(factorOf(sister)?.spread).toBeGreaterThan(own?.spread ?? 9);
    const stranger = withResults(evidence, swap('Knot'));
    expect(factorOf(stranger)).toBeUndefined();
    // and the row says so instead of showing an error of another part
    expect(compare(evidence, stranger)[0]).toMatchObject({ former: true, error: undefined });
  });

  test('a drive measured in another machine counts where the same drive is fitted, a copied result once', () => {
    const results = [result(read('ssd-1'), 3500, { part: 'ssd' as never })];
    const other = machineSchema.parse({ ...machineOf(), id: 'other', evidence: results });
    const seen = (machine = machineOf()) => {
      const data = compileCatalogue(dataOf());
      return assess(machine, briefOf(), contextOf(data, '2026-05-18', undefined, [other]));
    };
    const own = rate(withResults(results), 'read:active')?.value ?? 0;
    const fromOther = rate(seen(), 'read:active')?.value ?? 0;
    expect(fromOther).toBeGreaterThan(own);
    expect(fromOther).toBeLessThan(7000e6);
    const copied = machineSchema.parse({ ...machineOf(), evidence: results });
    expect(rate(seen(copied), 'read:active')?.value).toBe(own);
  });
});
