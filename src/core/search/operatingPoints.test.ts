import { describe, expect, test } from 'vitest';
import { assess, contextOf, type Assessment } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { editMachine } from '../model/edits';
import { assessed, briefOf, BUSY, dataOf, FAN, machineOf, plus, type Change } from '../tests/world';
import fc from 'fast-check';
import { operatingPoints, tuningsToTry, worseThan } from './operatingPoints';
import { remediesFor } from './remedies';

const world = (change: Change) => {
  const context = contextOf(compileCatalogue(dataOf(change)), '2026-05-18');
  const [machine, brief] = [machineOf(change), briefOf(change)];
  return { context, machine, brief, before: assess(machine, brief, context) };
};
const pointsOf = (change: Change) => {
  const { machine, brief, context, before } = world(change);
  return new Map(operatingPoints(machine, brief, context, before).map((point) => [point.id, point]));
};
const tempOf = (assessment: Assessment) => assessment.facts.heat.atLimit.best.state.parts[0]?.tempC ?? NaN;

describe('operating points', () => {
  test('a limit of 80 % of 120 W leaves the cube root of 86 ÷ 110 of the clock, cooler and quieter', () => {
    const points = pointsOf({ brief: BUSY });
    const [now, limited] = [points.get('now'), points.get('limit-0.8')];
    expect(limited?.allCores).toBeCloseTo(Math.cbrt(86 / 110), 2);
    expect(limited?.ghz).toBeCloseTo(4 * Math.cbrt(86 / 110), 1);
    expect(limited?.tempC ?? 99).toBeLessThan(now?.tempC ?? 0);
    expect(limited?.noiseDbA ?? 99).toBeLessThan(now?.noiseDbA ?? 0);
    // 24 W of the processor; fans count in full
    expect((now?.watts ?? 0) - (limited?.watts ?? 0)).toBeCloseTo(24, 0);
    expect(limited?.tasks ?? 1).toBeLessThan(1);
  });

  test('a raised clock is only offered to a processor that takes it', () => {
    expect(pointsOf({ brief: BUSY }).has('clock-1.03')).toBe(false);
    const raised = pointsOf({ brief: BUSY, parts: { cpu: { unlocked: true } } }).get('clock-1.06');
    expect(raised?.allCores).toBeCloseTo(1.06, 2);
    // 10 + 110 × 1.06³
    expect((raised?.watts ?? 0) - (pointsOf({ brief: BUSY }).get('now')?.watts ?? 0)).toBeCloseTo(
      110 * (1.06 ** 3 - 1),
      0,
    );
  });

  test('the quietest is never louder than the present setting, nor hotter at the same noise, under any load', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.12, max: 0.35, noNaN: true }),
        fc.integer({ min: 26, max: 42 }),
        fc.integer({ min: 15, max: 32 }),
        fc.integer({ min: 80, max: 170 }),
        (kPerW, noiseDbA, roomC, maxPowerW) => {
          const { machine, brief, context, before } = world({
            brief: { ...BUSY, roomC },
            parts: {
              cooler: { resistance: [{ rpm: 1500, kPerW }], noiseDbA },
              cpu: { maxPowerW, sustainedPowerW: maxPowerW },
            },
          });
          const points = operatingPoints(machine, brief, context, before);
          const [now, quiet] = ['now', 'quiet'].map((kind) => points.find((point) => point.kind === kind));
          if (!now || !quiet?.edit) return;
          const holds = (now.allCores ?? 0) >= 1 && (now.tempC ?? 0) <= (now.limitC ?? 0);
          if (!holds) return;
          expect(worseThan(quiet, now)).toBe(false);
          const after = assess(editMachine(machine, quiet.edit), brief, context);
          before.facts.heat.sittings.forEach((sitting, i) =>
            expect(after.facts.heat.sittings[i]?.noise.dbA).toBeLessThanOrEqual(sitting.noise.dbA + 0.05),
          );
        },
      ),
      { numRuns: 15 },
    );
  });

  test('clocks go up until something binds, which the last one says', () => {
    const last = (kind: string, change: Change) =>
      [...pointsOf({ ...change, brief: BUSY }).values()].filter((point) => point.kind === kind).at(-1);
    const unlocked = { unlocked: true };
    expect(
      last('clock', { parts: { cpu: unlocked, cooler: { resistance: [{ rpm: 1500, kPerW: 0.05 }] } } }),
    ).toMatchObject({
      percent: 18,
      bound: 'own limit',
    });
    expect(
      last('clock', { parts: { cpu: unlocked, cooler: { resistance: [{ rpm: 1500, kPerW: 0.3 }] } } })?.bound,
    ).toBe('heat');
    // 10 + 110 × 1.03³ are 130.2 W
    expect(last('clock', { parts: { cpu: unlocked, board: { processorPowerW: 125 } } })).toMatchObject({
      percent: 3,
      bound: 'phases',
    });
    expect(last('clock', { parts: { cpu: unlocked, psu: { ratedW: 420 } } })?.bound).toBe('supply');
    // cards too: 12 + 188 × 1.03³
    const card = last('card-clock', { parts: { psu: { ratedW: 420 } } });
    expect(card?.bound).toBe('supply');
    const steps = [...pointsOf({ brief: BUSY }).values()].filter((point) => point.kind === 'card-clock');
    expect(steps.length).toBeGreaterThan(1);
    expect(steps.slice(0, -1).every(({ bound }) => bound === undefined)).toBe(true);
  });

  test('the quietest keeps the speed, and taking it gives what was promised', () => {
    const { machine, brief, context, before } = world({ brief: BUSY });
    const quiet = operatingPoints(machine, brief, context, before).find((point) => point.kind === 'quiet');
    if (!quiet?.edit) throw new Error('there is a quieter setting');
    expect(quiet.tasks).toBeCloseTo(1, 6);
    const after = assess(editMachine(machine, quiet.edit), brief, context);
    expect(after.facts.heat.atLimit.noise.dbA).toBeCloseTo(quiet.noiseDbA, 9);
    expect(tempOf(after)).toBeCloseTo(quiet.tempC ?? NaN, 9);
    // from there the way back is offered
    const back = operatingPoints(editMachine(machine, quiet.edit), brief, context, after).find(
      (point) => point.kind === 'shipped',
    );
    expect(back?.edit).toEqual({ kind: 'tune', tuning: {} });
  });

  test('without a processor there is no temperature, and nothing breaks', () => {
    const { machine, brief, context, before } = world({
      items: (items) => items.filter((item) => item['id'] !== 'cpu-1'),
    });
    expect(operatingPoints(machine, brief, context, before).map((point) => point.tempC)).toContain(undefined);
    expect(tuningsToTry(before).length).toBeGreaterThan(0);
  });
});

describe('remedies of heat and noise', () => {
  const BETTER = {
    kind: 'cooler',
    id: 'better',
    maker: 'Northdraft',
    name: 'Better',
    type: 'tower',
    sockets: [{ socket: 'Dunlin', kit: 'included' }],
    resistance: [{ rpm: 1500, kPerW: 0.18 }],
    heightMm: 160,
    depthMm: 98,
    widthMm: 140,
    offsetMm: 12,
    finsAboveBoardMm: 50,
    memoryClearanceMm: 42,
    noiseDbA: 29,
    fans: 1,
    fanCurrentA: 0.2,
    pasteIncluded: true,
    powerW: 2,
  };
  const remedies = (change: Change, code: string) => {
    const { machine, brief, context, before } = world(change);
    const finding = before.findings.find((entry) => entry.code === code);
    if (!finding) throw new Error(`no finding "${code}"`);
    return remediesFor(machine, brief, finding, context, 6, before);
  };

  test('a cooler too small is swapped for one that carries, or the power is limited', () => {
    const found = remedies(
      { brief: BUSY, addParts: [BETTER], parts: { cooler: { resistance: [{ rpm: 1500, kPerW: 0.62 }] } } },
      'cooler-load',
    );
    expect(found[0]).toMatchObject({ part: { id: 'better' } });
    expect(found[0]?.effect.gain).toBeGreaterThan(0);
    expect(found.some((remedy) => remedy.edit.kind === 'tune' && remedy.edit.tuning.packageW !== undefined)).toBe(true);
  });

  test('a case without fans is given two', () => {
    const found = remedies({ brief: BUSY, addParts: [FAN], parts: { case: { fansIncluded: [] } } }, 'case-air');
    // one alone would leave it a hair too warm at the speed that its curve asks for
    expect(found.map((remedy) => remedy.edit.kind)).toContain('several');
    expect(found.map((remedy) => remedy.edit.kind)).not.toContain('add');
    for (const { effect } of found) expect(effect.mended.map((entry) => entry.code)).toContain('case-air');
  });

  test('too loud is mended by the quietest curves', () => {
    const loud = assessed({ brief: BUSY }).facts.heat.sittings[0]?.noise.dbA ?? 0;
    const found = remedies(
      { brief: { ...BUSY, mustHaves: { noiseDbA: Math.floor((loud - 0.2) * 10) / 10 } } },
      'noise',
    );
    expect(found.some((remedy) => remedy.edit.kind === 'tune' && remedy.edit.tuning.coolerCurve !== undefined)).toBe(
      true,
    );
  });

  test('spare fans are taken out together, with the money they cost', () => {
    const found = remedies(
      {
        brief: BUSY,
        addParts: [{ ...FAN, sizeMm: 120 }],
        items: plus({ id: 'fan-1', part: 'fan' }, { id: 'fan-2', part: 'fan' }),
      },
      'surplus-fans',
    );
    expect(found[0]?.edit).toMatchObject({
      kind: 'several',
      edits: [
        { kind: 'remove', item: 'fan-1' },
        { kind: 'remove', item: 'fan-2' },
      ],
    });
    expect(found[0]?.effect.priceMinor).toBe(-2 * 107_50);
  });

  test('a drive under a card finds another slot', () => {
    const topology = assessed().facts.parts.one('board')?.part.topology;
    if (!topology) throw new Error('the board has its topology');
    const rows = new Map([
      ['m2-1', 3],
      ['m2-2', 6],
    ]);
    const found = remedies(
      {
        brief: { mustHaves: { drivesReachable: true } },
        parts: {
          board: {
            topology: {
              ...topology,
              slots: topology.slots.map((slot) => (rows.has(slot.id) ? { ...slot, atRow: rows.get(slot.id) } : slot)),
            },
          },
        },
      },
      'reach',
    );
    expect(found[0]?.edit).toEqual({ kind: 'pin', item: 'ssd-1', slot: 'm2-2' });
  });
});
