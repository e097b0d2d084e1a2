import { describe, expect, test } from 'vitest';
import { reportOf } from '../formats/report';
import { assessed, BUSY, type Change } from '../tests/world';
import { findingWords } from '../words/findings';
import { fanChangeDb, loudness } from './air';
import { withFans } from './state';

const at = (change: Change, cooler: number, fans: number) => {
  const { parts, heat, power } = assessed({ brief: BUSY, ...change }).facts;
  const { byItem } = power.sittings[0] ?? { byItem: new Map<string, number>() };
  return { ...withFans(parts, heat.setup, byItem, 115, { cooler, case: fans }), byItem };
};
const levelOf = (noise: ReturnType<typeof at>['noise'], what: string) =>
  noise.sources.filter((source) => source.what === what).map((source) => source.dbA);

describe('noise of a machine', () => {
  test('at full speed is the stated levels, added by energy', () => {
    const { noise, state } = at({}, 1, 1);
    expect(levelOf(noise, 'cooler')).toEqual([30]);
    expect(levelOf(noise, 'case fans').sort()).toEqual([24, 24, 25]);
    expect(levelOf(noise, 'drive')).toEqual([26]);
    // the card turns its own fans
    const card = state.parts[1]?.speed ?? NaN;
    expect(levelOf(noise, 'card')[0]).toBeCloseTo(38 + fanChangeDb(1, card), 9);
    expect(noise.dbA).toBeCloseTo(loudness([30, 24, 24, 25, 26, 24, 38 + fanChangeDb(1, card)]), 9);
  });

  test('half the speed of the case’s fans takes 15 dB off each of them', () => {
    const level = (speed: number) => levelOf(at({}, 1, speed).noise, 'case fans')[0] ?? NaN;
    expect(level(0.5) - level(1)).toBeCloseTo(50 * Math.log10(0.5), 9);
    // a fan at a standstill is not taken to be infinitely quiet
    expect(Number.isFinite(level(0))).toBe(true);
  });

  test('a supply is as loud as stated up to half load, and by the fan law above', () => {
    const supply = (ratedW: number) => {
      const { noise, byItem } = at({ parts: { psu: { ratedW } } }, 1, 1);
      return {
        level: levelOf(noise, 'supply')[0],
        load: [...byItem.values()].reduce((sum, each) => sum + each, 0) / ratedW,
      };
    };
    expect(supply(750).level).toBe(24);
    const small = supply(250);
    expect(small.load).toBeGreaterThan(0.5);
    expect(small.level).toBeCloseTo(24 + fanChangeDb(0.5, small.load), 9);
  });

  test('damped panels take 2 dB off what is inside; the supply blows out behind', () => {
    const damped = at({ parts: { case: { damped: true } } }, 1, 1).noise;
    expect(levelOf(damped, 'cooler')).toEqual([28]);
    expect(levelOf(damped, 'supply')).toEqual([24]);
  });

  test('parts without fans make none, flash drives neither', () => {
    const { noise } = at(
      {
        parts: {
          cooler: { type: 'passive', fans: 0 },
          card: { cooling: 'passive', noiseDbA: undefined },
          disk: { cellKind: 'TLC' },
        },
      },
      1,
      1,
    );
    expect(noise.missing).toEqual([]);
    expect(new Set(noise.sources.map((source) => source.what))).toEqual(new Set(['case fans', 'supply']));
  });
});

describe('the mains circuit', () => {
  const check = (change: Change) => assessed(change).checks.find((entry) => entry.code === 'mains');

  test('is judged by the region: the same machine passes at 230 V', () => {
    const heavy = { parts: { card: { boardPowerW: 1200 } } };
    expect(check(heavy)).toMatchObject({ level: 'caution', volts: 115, amperes: 15 });
    expect(check({ ...heavy, region: { mainsV: 230, circuitA: 16 } })).toMatchObject({ level: 'passes', volts: 230 });
  });

  test('without a stated fuse the smallest circuit decides, and what passes it is unproven', () => {
    // 115 V × 10 A × 0.8 = 920 W
    expect(check({ region: { circuitA: undefined } })).toMatchObject({ level: 'passes', allowedW: 920 });
    const heavy = check({ region: { circuitA: undefined }, parts: { card: { boardPowerW: 700 } } });
    expect(heavy).toMatchObject({ level: 'unproven', amperes: undefined });
    if (heavy) expect(findingWords(heavy).says).toContain('unknown fuse, 10 A at least');
  });
});

test('the report gives temperatures, clocks, air and noise of every sitting', () => {
  const report = reportOf(assessed({ brief: BUSY, parts: { cooler: { resistance: [{ rpm: 1500, kPerW: 0.7 }] } } }));
  const [work] = report.heat;
  expect(work).toMatchObject({
    sitting: 'work',
    clocks: { heldBy: { processor: 'heat' } },
    shutsDown: [],
    missing: [],
  });
  expect(work?.parts[0]).toMatchObject({ item: 'cpu-1', limitC: 95 });
  expect(work?.clocks.processor ?? 1).toBeLessThan(1);
  expect(work?.noiseDbA ?? 0).toBeGreaterThan(20);
  expect(JSON.parse(JSON.stringify(report))).toMatchObject({ heat: [{ sitting: 'work' }] });
});
