import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { editMachine } from '../model/edits';
import { machineSchema } from '../model/machine';
import { demandOn, resultOf, taskOf } from '../tests/studio';
import { assessed, briefOf, dataOf, machineOf, type Change } from '../tests/world';
import { compare, medianError } from '../versus/measured';
import { calibrationOf } from './calibrate';
import type { Measurement } from '../model/measurement';
import { predictWorkload } from './predict';
import { realMeasurements } from '../tests/reality';
import { SMALL_MACHINE } from '../tests/reality/held';

const measured = realMeasurements();
const SOFTWARE = taskOf('edit-export', { outCodec: 'h264', path: 'software' });
const real = (evidence: readonly Measurement[] = measured, change: Change = SMALL_MACHINE) =>
  assessed({
    ...change,
    machine: { ...(evidence.length > 0 ? { evidence } : {}) },
    brief: { tasks: [SOFTWARE], sittings: [] },
  });

describe('a real machine', () => {
  const rows = compare(measured, real());
  const checks = rows.filter(({ measurement }) => measurement.use === 'check');

  test('rows that were not used are predicted with a median error below 20 %: other sizes, presets, chains', () => {
    expect(checks).toHaveLength(11);
    expect(checks.map(({ measurement }) => measurement.workload.work)).toContain('chain');
    expect(checks.every(({ error }) => error !== undefined)).toBe(true);
    expect(medianError(checks)).toBeLessThan(0.2);
  });

  test('a chain takes the sum of its stages, not its slowest', () => {
    const full = checks.find(({ measurement }) => measurement.id === 'pipe.full.1080p.t1');
    const slowest = predictWorkload(
      {
        work: 'encode',
        width: 1920,
        height: 1080,
        threads: 1,
        target: { codec: 'h264', preset: 'medium', chroma: '4:2:0' },
      },
      real(),
      real().facts.calibration,
    );
    expect(Math.abs(full?.error ?? 1)).toBeLessThan(0.25);
    expect((slowest.band?.likely ?? 0) / (full?.measurement.value ?? 1)).toBeGreaterThan(1.1);
  });

  test('the band narrows, and holds most of what was measured', () => {
    const width = (band: { low: number; high: number } | undefined) => (band ? band.high / band.low : Infinity);
    for (const { measurement, plain, taught } of checks)
      if (measurement.workload.work !== 'correct')
        expect(width(taught.band), measurement.id).toBeLessThan(width(plain.band) * 1.25);
    const inside = checks.filter(
      ({ taught, measurement: { low = 0, high = Infinity } }) =>
        taught.band && taught.band.low <= high && taught.band.high >= low,
    );
    expect(inside.length).toBeGreaterThanOrEqual(9);
  });

  test('compression and memory are predicted from relations, an unstated drive is not', () => {
    const byId = new Map(rows.map((row) => [row.measurement.id, row]));
    expect(byId.get('cpu.7z.t2')?.error).toBeCloseTo((5 * 990) / 4963 - 1, 6);
    expect(byId.get('mem.stream.t1')?.taught.band?.likely).toBe(9_500);
    expect(byId.get('io.seq-read')?.taught).toMatchObject({ band: undefined, lacks: ['which drive it was'] });
  });
});

describe('calibration', () => {
  const encode = (value: number, over: Partial<Measurement> = {}): Measurement => ({
    id: `m-${value}-${over.id ?? ''}`,
    workload: {
      work: 'encode',
      width: 1920,
      height: 1080,
      threads: 1,
      target: { codec: 'h264', preset: 'medium', chroma: '4:2:0' },
    },
    value,
    unit: 'fps',
    tool: 'ffmpeg',
    source: 'test',
    use: 'calibrate',
    ...over,
  });
  // one thread of 2.5 GHz: 2.5e9 ÷ (1920 × 1080 × 176)
  const PLAIN = 2.5e9 / (1920 * 1080 * 176);
  const factor = (evidence: readonly Measurement[]) => real(evidence).facts.calibration.works.get('encode h264 medium');

  test('one result twice as fast moves the factor by its share of the doubt: prior 45 %, noise 16 %', () => {
    const [prior, noise] = [Math.log(1.45), 0.163];
    const share = 1 / noise ** 2 / (1 / noise ** 2 + 1 / prior ** 2);
    expect(factor([encode(2 * PLAIN)])?.factor).toBeCloseTo(2 ** share, 6);
    // four fifths of the doubt are of other content and stay, but for what one result of nine says of that
    expect(factor([encode(2 * PLAIN)])?.spread).toBeCloseTo(
      Math.exp(Math.hypot(1 / Math.sqrt(1 / noise ** 2 + 1 / prior ** 2), 0.8 * prior * Math.sqrt(8 / 9))),
      6,
    );
    // what is in agreement moves nothing
    expect(factor([encode(PLAIN)])?.factor).toBeCloseTo(1, 9);
  });

  test('results move it towards themselves, one that agrees leaves less doubt, and their order does not matter', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 1, max: 40, noNaN: true }), { minLength: 1, maxLength: 8 }), (values) => {
        const list = values.map((value, i) => encode(value, { id: `m-${i}` as never }));
        const known = factor(list);
        const ratios = values.map((value) => Math.log(value / PLAIN));
        expect(known?.count).toBe(values.length);
        expect(Math.log(known?.factor ?? 1)).toBeGreaterThanOrEqual(Math.min(0, ...ratios) - 1e-9);
        expect(Math.log(known?.factor ?? 1)).toBeLessThanOrEqual(Math.max(0, ...ratios) + 1e-9);
        expect(factor([...list].reverse())?.factor).toBeCloseTo(known?.factor ?? 0, 9);
        const agrees = encode(PLAIN * (known?.factor ?? 1), { id: 'more' as never });
        expect(factor([...list, agrees])?.spread).toBeLessThan((known?.spread ?? 0) + 1e-12);
      }),
      { numRuns: 20, seed: 6 },
    );
  });

  test('what is kept to check with teaches nothing', () => {
    expect(factor([encode(2 * PLAIN, { use: 'check' })])).toBeUndefined();
    expect(real([encode(2 * PLAIN, { use: 'check' })]).tasks[0]?.gets).toEqual(real([]).tasks[0]?.gets);
  });

  test('tasks on that machine follow, in time and in band', () => {
    const [before, after] = [real([]), real([encode(2 * PLAIN), encode(2 * PLAIN, { id: 'again' as never })])];
    const [slow, fast] = [resultOf(before, SOFTWARE.id), resultOf(after, SOFTWARE.id)];
    expect(fast.gets?.likely).toBeLessThan((slow.gets?.likely ?? 0) * 0.8);
    const width = (band: { low: number; high: number } | undefined) => (band ? band.high / band.low : 0);
    expect(width(fast.gets)).toBeLessThan(width(slow.gets));
    expect(demandOn(fast, 'read:active')).toBe(demandOn(slow, 'read:active'));
  });

  test('results of another machine count in part when it has the same processor, not at all when it has another', () => {
    const evidence = [encode(2 * PLAIN)];
    const other = machineSchema.parse({ ...machineOf(SMALL_MACHINE), id: 'other', evidence });
    const learnt = (change: Change) => {
      const context = contextOf(compileCatalogue(dataOf(change)), '2026-05-18', undefined, [other]);
      return assess(
        machineOf(change),
        briefOf({ brief: { tasks: [SOFTWARE], sittings: [] } }),
        context,
      ).facts.calibration.works.get('encode h264 medium');
    };
    const own = factor(evidence)?.factor ?? 0;
    expect(learnt(SMALL_MACHINE)?.factor).toBeGreaterThan(1.2);
    expect(learnt(SMALL_MACHINE)?.factor).toBeLessThan(own);
    const stranger = { ...PARTS_CPU, id: 'cpu-2', family: 'Knot' };
    const swapped: Change = {
      ...SMALL_MACHINE,
      addParts: [stranger],
      items: (items) => items.map((item) => (item['id'] === 'processor-1' ? { ...item, part: 'cpu' } : item)),
    };
    expect(learnt(swapped)).toBeDefined();
    const elsewhere: Change = {
      ...SMALL_MACHINE,
      addParts: [stranger],
      items: (items) => items.map((item) => (item['part'] === 'cpu' ? { ...item, part: 'cpu-2' } : item)),
    };
    expect(learnt(elsewhere)).toBeUndefined();
  });

  test('a processor without clocks learns nothing and says what is lacking', () => {
    const unknown: Change = { parts: { cpu: { coreGroups: undefined } } };
    const assessment = real(measured, unknown);
    expect(assessment.facts.calibration.works.size).toBe(0);
    expect(compare(measured, assessment)[0]?.taught.lacks).toEqual(['clocks and work per clock of the processor']);
    expect(calibrationOf([], assessment).threads.count).toBe(0);
  });

  test('is an edit like any other: taken back it leaves the machine as it was', () => {
    const machine = machineOf();
    const edited = editMachine(machine, { kind: 'evidence', evidence: measured });
    expect(edited.evidence).toHaveLength(measured.length);
    expect(editMachine(edited, { kind: 'evidence', evidence: measured })).toBe(edited);
    expect(editMachine(edited, { kind: 'evidence', evidence: [] })).toEqual(machine);
    expect(machineSchema.safeParse({ ...machine, evidence: [measured[0], measured[0]] }).success).toBe(false);
  });
});

const PARTS_CPU = dataOf(SMALL_MACHINE).parts.find((part) => part.kind === 'processor') as unknown as Record<
  string,
  unknown
>;
