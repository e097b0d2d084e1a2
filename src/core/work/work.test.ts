import { explained } from '../formats/reasons';
import { describe, expect, test } from 'vitest';
import { assessed, DESK, EXPORT, PLAY, SOURCE, without, type Change, briefOf, dataOf, machineOf } from '../tests/world';
import type { CatalogueData } from '../model/catalogueSchema';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { briefSchema } from '../model/brief';
import { app } from '../tests/studio';
import { COMMON } from './common';
import { EDIT } from './editConstants';
import type { ApplicationProfile } from '../model/applications';
import { MOTION } from './motionConstants';
import { TRADES } from './templates';
import { taskSchema } from '../model/tasks';

/** Runs tasks with an application of these habits. */
function withApplication(over: Partial<ApplicationProfile>, task: object, change: Change = {}) {
  const data: CatalogueData = { ...dataOf(change), applications: [app(over)] };
  const brief = briefOf({ brief: { tasks: [{ ...task, application: 'app' }], sittings: [] } });
  const assessment = assess(machineOf(change), brief, contextOf(compileCatalogue(data), '2026-05-18'));
  const [result] = assessment.tasks;
  if (!result) throw new Error('no result');
  return { assessment, result, use: (resource: string) => result.uses.find((entry) => entry.resource === resource) };
}

describe('constants', () => {
  test('each has a unit, a reason and a spread that is a factor', () => {
    for (const register of [COMMON, ...Object.values(TRADES).map((trade) => trade.constants)])
      for (const [name, constant] of Object.entries(register)) {
        expect(constant.spread, name).toBeGreaterThanOrEqual(1);
        expect(constant.spread, name).toBeLessThan(3);
        expect(explained(constant.id).reasoning.length, name).toBeGreaterThan(15);
        expect(['standard', 'paper', 'measured', 'judgement'], name).toContain(constant.source);
        expect(constant.value, name).toBeGreaterThan(0);
      }
  });

  test('each has a name of its own: two with the same reason are not taken for one', () => {
    const registers = new Set([COMMON, ...Object.values(TRADES).map((trade) => trade.constants)]);
    const ids = [...registers].flatMap((register) => Object.values(register).map(({ id }) => id));
    expect(new Set(ids).size).toBe(ids.length);
    // both are said to be "The same on a card."
    expect(explained('motion.layerFlop').reasoning).toBe(explained('motion.effectFlop').reasoning);
    expect(MOTION.layerFlop.id).not.toBe(MOTION.effectFlop.id);
    expect(() => explained('motion.none')).toThrow('no register has "motion.none"');
  });

  test('measured ones follow from their measurement', () => {
    // one 2.5 GHz thread: clocks a px = 2.5e9 ÷ (fps × 1920 × 1080)
    const clocks = (fps: number) => 2.5e9 / (fps * 1920 * 1080);
    expect(EDIT.decodeH264.value).toBeCloseTo(clocks(107.6), 1);
    expect(EDIT.decodeHevc.value).toBeCloseTo(clocks(60.926), 1);
    expect(EDIT.decodeMezzanine.value * EDIT.chroma422.value).toBeCloseTo(clocks(33.512), 0);
    expect(EDIT.encodeH264Medium.value).toBeCloseTo(clocks(6.8397), 0);
    expect(EDIT.encodeH264Fast.value).toBeCloseTo(clocks(16.343), 0);
    expect(EDIT.encodeHevcMedium.value).toBeCloseTo(clocks(2.805), 0);
    // six filters are six steps
    expect(EDIT.stepProcessor.value / (clocks(22.185) / 6)).toBeGreaterThan(0.7);
    expect(EDIT.stepProcessor.value / (clocks(22.185) / 6)).toBeLessThan(1.6);
  });
});

describe('the same work in other software', () => {
  test('one that decodes on the processor uses no engine', () => {
    const { use } = withApplication({ decode: 'processor' }, PLAY);
    expect(use('engine.decode')).toBeUndefined();
    expect(use('cpu.parallel')?.demand.value).toBeGreaterThan(1);
  });

  test('one that works its effects on the processor needs no card, and more cores', () => {
    const { result, use } = withApplication({ effects: 'processor', decode: 'processor' }, PLAY, {
      items: without('card-1'),
    });
    expect(result.impossible).toEqual([]);
    // 8 steps of 14 clocks a px on 8.29 Mpx at 25 fps
    expect(use('cpu.parallel')?.demand.value).toBeGreaterThan((8 * 14 * 3840 * 2160 * 25) / 1e9);
  });

  test('one with few threads binds while the processor as a whole is half idle: both are shown', () => {
    const heavy = { ...PLAY, sources: [{ ...SOURCE, chroma: '4:2:2', streams: 4 }] };
    const { result, use } = withApplication({ threadCap: 4 }, heavy);
    expect(result.binds).toBe('cpu.threads');
    expect(use('cpu.threads')?.ratio ?? 9).toBeLessThan((use('cpu.parallel')?.ratio ?? 0) / 2);
  });

  test('one whose stack the card lacks does not run; an unknown list leaves it unproven', () => {
    expect(withApplication({ computeStacks: ['Loomwork'] }, PLAY).result.impossible).toEqual([
      { code: 'no-compute-stack', application: 'Reelwright', wants: ['Loomwork'] },
    ]);
    const vague = withApplication({ computeStacks: ['Loomwork'] }, PLAY, {
      parts: { card: { computeStacks: undefined } },
    }).result;
    expect(vague).toMatchObject({ verdict: 'unproven', missing: [{ field: 'computeStacks' }] });
    expect(withApplication({ computeStacks: ['Loomwork', 'Tesserel'] }, PLAY).result.impossible).toEqual([]);
  });

  test('one that never uses encoding engines, and one with a size limit of its own', () => {
    expect(withApplication({ engineEncode: false }, EXPORT).result.impossible).toEqual([
      { code: 'application-encodes-in-software', application: 'Reelwright' },
    ]);
    expect(withApplication({ engineLimit: { width: 1920, height: 1080 } }, EXPORT).result.impossible[0]).toMatchObject({
      code: 'encoder-too-small',
      maxWidth: 1920,
    });
  });

  test('its floors are rules: below the minimum blocks, below the recommended cautions, below its margin a note', () => {
    const floor = (minimum: number, recommended: number) =>
      withApplication({ graphicsMemoryGiB: { minimum, recommended } }, PLAY).assessment.checks.find(
        (check) => check.code === 'memory-floor' && check.what === 'graphics memory',
      )?.level;
    // 12 GB are a quarter more than 9.6; less than that margin is worth a note, as the sizes ask for it
    expect([floor(16, 24), floor(8, 16), floor(8, 12), floor(8, 10), floor(8, 9)]).toEqual([
      'blocks',
      'caution',
      'note',
      'note',
      'passes',
    ]);
  });
});

describe('desk base', () => {
  const memoryOf = (over: object) =>
    assessed({ brief: { tasks: [{ ...DESK, ...over }], sittings: [] } }).facts.sittings[0]?.holds.find(
      (hold) => hold.what === 'memory',
    )?.needs.value ?? 0;
  test('4 GiB, 0.12 a tab, what else there is, and a conference', () => {
    expect(memoryOf({ browserTabs: 10, otherGiB: 1 }) / 2 ** 30).toBeCloseTo(4 + 1.2 + 1, 9);
    expect((memoryOf({ conferencing: true }) - memoryOf({})) / 2 ** 30).toBeCloseTo(1.5, 9);
  });
});

describe('custom work', () => {
  const run = (over: object, change: Change = {}) =>
    assessed({
      ...change,
      brief: {
        tasks: [
          {
            kind: 'custom',
            id: 'c',
            name: 'Custom',
            importance: 1,
            mode: 'elastic',
            unit: 'job',
            unitsPerRun: 10,
            ...over,
          },
        ],
        sittings: [],
      },
    }).tasks[0];

  test('serial work runs at the best core’s rate: 10 jobs of 7.5 Gwork take 10 s', () => {
    expect(run({ serialGwork: 7.5 })?.gets?.likely).toBeCloseTo(10, 6);
  });

  test('work on all cores runs on all threads: 60 Gwork/s', () => {
    // eight cores of 4 GHz × 1.5, and a quarter more from second threads
    expect(run({ parallelGwork: 60 })?.gets?.likely).toBeCloseTo(10, 6);
    expect(run({ parallelGwork: 60, threadCap: 8 })?.gets?.likely).toBeCloseTo(12.5, 6);
  });

  test('writing is at the rate after the cache, not the label’s', () => {
    expect(run({ writeGB: { scratch: 1.5 } })?.gets?.likely).toBeCloseTo(10, 6);
  });

  test('a pipelined chain takes as long as its slowest resource', () => {
    expect(run({ serialGwork: 7.5, writeGB: { scratch: 0.15 } })?.gets?.likely).toBeCloseTo(10, 6);
  });

  test('a flow from a card that is not there does not run, and names it', () => {
    expect(
      run({ mode: 'real-time', unitsPerS: 1, flows: [{ from: 'capture', to: 'memory', gbytePerS: 1 }] })?.impossible,
    ).toEqual([{ code: 'part-missing', kind: 'capture' }]);
  });

  test('a stream faster than its drive falls short by as much', () => {
    const result = run({ mode: 'real-time', unitsPerS: 1, flows: [{ from: 'memory', to: 'archive', gbytePerS: 1 }] });
    // SATA would carry 0.51 GB/s after headers, the disk by itself writes 0.19
    expect(result?.ratio?.likely).toBeCloseTo(0.19, 9);
    expect(result?.verdict).toBe('short');
  });
});

describe('templates and schemas', () => {
  test('tasks keep to sane figures', () => {
    const bad = (patch: object) => taskSchema.safeParse({ ...PLAY, ...patch }).success;
    expect([
      bad({ fps: 0 }),
      bad({ width: 0 }),
      bad({ importance: 6 }),
      bad({ sources: [] }),
      bad({ playAt: 3 }),
      bad({ correctionSteps: -1 }),
    ]).toEqual([false, false, false, false, false, false]);
    expect(bad({})).toBe(true);
  });

  test('a brief refuses two tasks of one id', () => {
    expect(briefSchema.safeParse({ ...briefOf(), tasks: [PLAY, PLAY] }).success).toBe(false);
  });

  test('a brief refuses more hours than a week has, hours at rest included', () => {
    const brief = (hoursPerWeek: number, idleHoursPerWeek: number) =>
      briefSchema.safeParse({
        ...briefOf({ brief: { tasks: [PLAY], sittings: [{ id: 's', name: 'S', hoursPerWeek, tasks: ['play'] }] } }),
        idleHoursPerWeek,
      });
    expect(brief(100, 68).success).toBe(true);
    expect(brief(100, 69).error?.issues[0]?.message).toBe(
      'take 169 hours a week with the hours at rest; a week has 168',
    );
  });

  test('a task in no sitting is judged alone', () => {
    const results = assessed({
      brief: { tasks: [PLAY, DESK], sittings: [{ id: 's', name: 'S', hoursPerWeek: 1, tasks: ['desk'] }] },
    });
    expect(results.tasks.map((task) => task.sitting)).toEqual(['alone-play', 's']);
  });

  test('a task in two sittings is told at its worst', () => {
    const heavy = {
      kind: 'custom',
      id: 'heavy',
      name: 'Heavy',
      importance: 1,
      mode: 'real-time',
      unit: 'job',
      unitsPerS: 1,
      fp32Gflop: 19_000,
    };
    const results = assessed({
      brief: {
        tasks: [PLAY, heavy],
        sittings: [
          { id: 'light', name: 'L', hoursPerWeek: 1, tasks: ['play'] },
          { id: 'full', name: 'F', hoursPerWeek: 1, tasks: ['play', 'heavy'] },
        ],
      },
    });
    expect(results.tasks[0]?.sitting).toBe('full');
  });
});
