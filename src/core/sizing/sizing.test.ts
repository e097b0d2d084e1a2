import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { app, resultOf, studio, taskOf } from '../tests/studio';
import { assessed } from '../tests/world';
import { arrayLevels, chanceOfLoss, drivesFor, type Member } from './arrays';
import { enduranceYears, grown, ratingFor } from '../predict/endurance';
import { cardKinds, publishedFloors } from './kinds';
import { askedRates } from './rates';
import { askedTogether, copiesOf, roleSizes } from './roles';
import { derivedSizes } from './held';

const SIX_TB: Member = { capacityBytes: 6e12, readBytesPerS: 200e6, writeBytesPerS: 180e6, unrecoverablePerBit: 1e-15 };
const at = (member: Member, drives: number, level: string) =>
  arrayLevels(member, drives).find((entry) => entry.level === level);

describe('arrays, worked by hand', () => {
  test('single parity over five 6 TB drives with one error in 10^15 bits loses something on rebuild with 17.5 %', () => {
    // four drives are read: 1.92 × 10^14 bits; 1 − e^−0.192
    const five = at(SIX_TB, 5, 'single parity');
    expect(five?.lossOnRebuild).toBeCloseTo(0.1747, 4);
    expect(five?.usableBytes).toBe(24e12);
    expect(five?.survives).toBe(1);
    // 6 TB at 180 MB/s
    expect(five?.rebuildHours).toBeCloseTo(9.26, 2);
    expect(five?.readBytesPerS).toBe(800e6);
  });

  test('a mirror of two reads one drive anew: 4.7 %; a third copy or a second parity leaves nothing to lose', () => {
    expect(at(SIX_TB, 2, 'mirror')?.lossOnRebuild).toBeCloseTo(-Math.expm1(-0.048), 6);
    expect(at(SIX_TB, 3, 'mirror')).toMatchObject({ lossOnRebuild: 0, survives: 2, usableBytes: 6e12 });
    expect(at(SIX_TB, 5, 'double parity')).toMatchObject({ lossOnRebuild: 0, survives: 2, usableBytes: 18e12 });
  });

  test('a stripe is the fastest and holds the only copy', () => {
    const stripe = at(SIX_TB, 4, 'stripe');
    expect(stripe).toMatchObject({
      usableBytes: 24e12,
      writeBytesPerS: 720e6,
      survives: 0,
      caution: 'no redundancy',
      rebuildHours: undefined,
    });
    expect(at(SIX_TB, 4, 'striped mirrors')).toMatchObject({ usableBytes: 12e12, writeBytesPerS: 360e6, survives: 1 });
  });

  test('levels appear with the drives that they need', () => {
    const names = (drives: number) => arrayLevels(SIX_TB, drives).map(({ level }) => level);
    expect(names(1)).toEqual(['single']);
    expect(names(2)).toEqual(['single', 'stripe', 'mirror']);
    expect(names(3)).toEqual(['single', 'stripe', 'mirror', 'single parity']);
    expect(names(5)).not.toContain('striped mirrors');
    expect(drivesFor('single parity', SIX_TB, 20e12)).toBe(5);
    expect(drivesFor('striped mirrors', SIX_TB, 20e12)).toBe(8);
    expect(drivesFor('mirror', SIX_TB, 20e12)).toBeUndefined();
  });

  test('what a drive does not state stays unknown', () => {
    const bare: Member = { ...SIX_TB, readBytesPerS: undefined, unrecoverablePerBit: undefined };
    expect(at(bare, 5, 'single parity')).toMatchObject({
      readBytesPerS: undefined,
      rebuildHours: undefined,
      lossOnRebuild: undefined,
    });
  });

  test('chances stay between 0 and 1, grow with what is read, and small ones keep their digits', () => {
    expect(chanceOfLoss(1e-17, 1e9)).toBeCloseTo(8e-8, 12);
    fc.assert(
      fc.property(
        fc.double({ min: 1e-18, max: 1e-12, noNaN: true }),
        fc.double({ min: 1, max: 1e15, noNaN: true }),
        (u, bytes) => {
          const chance = chanceOfLoss(u, bytes);
          expect(chance).toBeGreaterThanOrEqual(0);
          expect(chance).toBeLessThanOrEqual(1);
          expect(chanceOfLoss(u, bytes * 2)).toBeGreaterThanOrEqual(chance);
        },
      ),
      { seed: 7 },
    );
  });

  test('more drives never hold less, and usable is never more than all of them', () => {
    for (let drives = 2; drives <= 12; drives++)
      for (const entry of arrayLevels(SIX_TB, drives)) {
        expect(entry.usableBytes).toBeLessThanOrEqual(6e12 * drives);
        const more = at(SIX_TB, drives + 2, entry.level);
        expect(more?.usableBytes ?? 0).toBeGreaterThanOrEqual(entry.usableBytes);
      }
  });
});

describe('endurance and growth, worked by hand', () => {
  test('400 GB of host writes a day on 2,400 TBW last 16.4 years', () => {
    expect(enduranceYears(2400e12, 400e9)).toBeCloseTo(16.44, 2);
    expect(enduranceYears(2400e12, 400e9, 2)).toBeCloseTo(8.22, 2);
    expect(enduranceYears(2400e12, 0)).toBe(Infinity);
  });

  test('the rating for so many years is its inverse', () => {
    expect(ratingFor(400e9, enduranceYears(2400e12, 400e9)) / 2400e12).toBeCloseTo(1, 12);
  });

  test('20 % a year double a size in four years, nearly', () => {
    expect(grown(1e12, 0.2, 4)).toBeCloseTo(2.0736e12, 0);
    expect(grown(1e12, 0, 4)).toBe(1e12);
  });
});

describe('drives by role', () => {
  const live = taskOf('live', { record: 'programme', keepHours: 20, recordMbitPerS: 80 });
  const at10 = (over: object = {}) => studio([live], { brief: { yearsOfService: 4, ...over } });

  test('a recording of 80 Mb/s for ten hours a week writes 360 GB a week: 51.4 GB a day', () => {
    const [active] = roleSizes(at10(), at10()).filter(({ role }) => role === 'active');
    expect(active?.writeBytesPerS).toBeCloseTo(10e6, 3);
    expect(active?.writtenADayBytes).toBeCloseTo(360e9 / 7, -3);
    expect(active?.ratingBytes).toBeCloseTo((360e9 / 7) * 365 * 4, -6);
    // 20 hours kept at 10 MB/s
    expect(active?.spaceBytes).toBeCloseTo(720e9, -3);
    // of 1 TB a system needs 64 GB
    expect(active?.has.spaceBytes).toBe(936e9);
    // the drive of the test world states no rating
    expect(active?.has.years).toBeUndefined();
  });

  test('growth over the years of service is in the space at their end', () => {
    const [active] = roleSizes(at10({ growthPercent: 20 }), at10({ growthPercent: 20 })).filter(
      ({ role }) => role === 'active',
    );
    expect(active?.spaceAtEndBytes).toBeCloseTo(720e9 * 1.2 ** 4, -3);
  });

  test('a stated rating gives years', () => {
    const rated = studio([live], { parts: { ssd: { enduranceTBW: 600 } }, brief: { yearsOfService: 4 } });
    const [active] = roleSizes(rated, rated).filter(({ role }) => role === 'active');
    expect(active?.has.years).toBeCloseTo(600e12 / ((360e9 / 7) * 365), 6);
  });

  test('a run writes as often as it is done a week, whatever its sitting’s hours', () => {
    const task = taskOf('stills', { runsPerWeek: 7, images: 100, mbPerImage: 40 });
    const [active] = roleSizes(studio([task]), studio([task])).filter(({ role }) => role === 'active');
    // 100 × 10 MB a run, one a day
    expect(active?.writtenADayBytes).toBeCloseTo(1e9, 0);
    // read within its 15 minutes
    expect(active?.readBytesPerS).toBeCloseTo(4e9 / 900, 0);
  });

  test('three copies: one more here, one elsewhere', () => {
    const sizes = roleSizes(at10({ growthPercent: 20 }), at10({ growthPercent: 20 }));
    const kept = 720e9 * 1.2 ** 4;
    expect(copiesOf(sizes, 'one')).toMatchObject({ hereBytes: 0, elsewhereBytes: 0 });
    expect(copiesOf(sizes, 'two').hereBytes).toBeCloseTo(kept, -3);
    expect(copiesOf(sizes, 'three').elsewhereBytes).toBeCloseTo(kept, -3);
  });

  test('a brief without anything to keep has no roles to size', () => {
    expect(
      roleSizes(assessed({ brief: { tasks: [], sittings: [] } }), assessed({ brief: { tasks: [], sittings: [] } })),
    ).toEqual([]);
  });
});

describe('rates that the targets ask for', () => {
  test('a run asks for its work over the time it may take, by name', () => {
    const task = taskOf('build');
    const asked = askedRates(studio([task]), studio([task])).find(({ resource }) => resource === 'cpu.parallel');
    // 12,290 Gwork in five minutes
    expect(asked?.asked).toBeCloseTo(12_290 / 300, 6);
    expect(asked?.by).toEqual({ task: 'build' });
    expect(asked?.unit).toBe('Gwork/s');
  });

  test('real-time tasks of a sitting add up, one thread does not', () => {
    const [one, two] = [taskOf('cad-view'), taskOf('live')];
    const both = studio([one, two]);
    const of = (resource: string) => askedRates(both, both).find((entry) => entry.resource === resource);
    const demand = (id: string, resource: string) =>
      resultOf(both, id).uses.find((use) => use.resource === resource)?.demand.value ?? 0;
    expect(of('gpu.fp32')?.asked).toBeCloseTo(demand('cad-view', 'gpu.fp32') + demand('live', 'gpu.fp32'), 0);
    expect(of('cpu.serial')?.asked).toBeCloseTo(
      Math.max(demand('cad-view', 'cpu.serial'), demand('live', 'cpu.serial')),
      9,
    );
    expect(of('gpu.fp32')?.by).toEqual({ sitting: 'all' });
  });
});

describe('before any part is chosen', () => {
  const NOTHING = { items: () => [] };
  const tasks = [taskOf('edit-play'), taskOf('render'), taskOf('cad-view')];

  test('memory, graphics memory, space and rates follow from the work alone', () => {
    const [none, some] = [studio(tasks, NOTHING), studio(tasks)];
    const sizes = (assessment: typeof none) =>
      Object.fromEntries(derivedSizes(assessment, assessment).map(({ what, needsBytes }) => [what, needsBytes]));
    expect(sizes(none)['graphics memory']).toBeCloseTo(sizes(some)['graphics memory'] ?? 0, 0);
    expect(sizes(none)['memory']).toBeCloseTo(sizes(some)['memory'] ?? 0, 0);
    expect(roleSizes(none, none).map(({ role }) => role)).toEqual(roleSizes(some, some).map(({ role }) => role));
    expect(roleSizes(none, none).every(({ has }) => has.drives === 0)).toBe(true);
    const asked = askedRates(none, none).find(({ resource }) => resource === 'gpu.fp32');
    expect(asked?.asked).toBeGreaterThan(0);
    expect(asked?.offered).toBeUndefined();
    expect(cardKinds(none, none).graphics).toMatchObject({ cards: undefined });
  });

  test('it predicts nothing: the card that is missing is named', () => {
    const result = resultOf(studio(tasks, NOTHING), 'edit-play');
    expect(result.verdict).toBe('short');
    expect(result.impossible).toContainEqual({ code: 'part-missing', kind: 'graphics' });
  });

  test('a processor without graphics and no card is another matter: that machine has none', () => {
    const bare = resultOf(studio(tasks, { items: (items) => items.filter(({ id }) => id !== 'card-1') }), 'edit-play');
    expect(bare.impossible).toContainEqual({ code: 'no-graphics' });
  });
});

describe('kinds of cards and published floors', () => {
  const PROFILES = [
    app({
      id: 'one',
      name: 'Reelwright',
      computeStacks: ['Tesserel', 'Loomwork'],
      memoryGiB: { minimum: 16, recommended: 32 },
    }),
    app({
      id: 'two',
      name: 'Helmglass',
      trade: 'scene',
      computeStacks: ['Tesserel'],
      certifiedDriver: true,
      memoryGiB: { minimum: 32, recommended: 64 },
    }),
  ];
  const seat = (over: object = {}) =>
    studio([taskOf('edit-play', { application: 'one' }), taskOf('scene', { application: 'two' })], {
      applications: PROFILES,
      brief: { ownedDisplays: ['screen', 'screen'], ...over },
    });

  test('the stack that all applications share, the certified driver that one asks for, the displays', () => {
    expect(cardKinds(seat(), seat()).graphics).toMatchObject({
      stacks: ['Tesserel'],
      certified: ['Helmglass'],
      displays: 2,
    });
    const apart = studio([taskOf('edit-play', { application: 'one' }), taskOf('scene', { application: 'two' })], {
      applications: [PROFILES[0] ?? app(), app({ ...PROFILES[1], computeStacks: ['open compute'] })],
    });
    expect(cardKinds(apart, apart).graphics?.stacks).toEqual([]);
  });

  test('a floor is the highest that is recommended, and a quarter on top: 64 GB become 80', () => {
    expect(publishedFloors(seat())[0]).toEqual({
      application: 'Helmglass',
      what: 'memory',
      minimumGib: 32,
      recommendedGib: 64,
      withMarginGib: 80,
    });
  });

  test('cards are counted in what the draft has: work for 2.2 of them asks for three', () => {
    const card = { fp32Tflops: 20 };
    const result = (samples: number) =>
      studio([taskOf('render', { samples, frames: 1, targetH: 0.02, mTriangles: 0.1 })], { parts: { card } });
    const asked = askedRates(result(256), result(256)).find(({ resource }) => resource === 'gpu.fp32')?.asked ?? 0;
    const samples = Math.round((256 * 2.2 * 20e12) / asked);
    expect(cardKinds(result(samples), result(samples)).graphics?.cards).toBe(3);
    expect(cardKinds(result(Math.round(samples / 5)), result(Math.round(samples / 5))).graphics?.cards).toBe(1);
  });

  test('five cameras of 2.97 Gb/s, and nothing to take in behind a mixer', () => {
    const inputs = [{ count: 5, width: 1920, height: 1080, fps: 50, chroma: '4:2:2', bitDepth: 10 }];
    expect(cardKinds(studio([taskOf('live', { inputs })]), studio([taskOf('live', { inputs })])).capture).toEqual({
      inputs: 5,
      bitPerS: 2.97e9,
    });
    expect(
      cardKinds(studio([taskOf('live', { inputs, via: 'mixer' })]), studio([taskOf('live', { inputs, via: 'mixer' })]))
        .capture,
    ).toBeUndefined();
  });

  test('work without pictures asks for no card, and the network that is a must-have stays one', () => {
    const build = studio([taskOf('build')], { brief: { mustHaves: { networkGbitPerS: 10 } } });
    expect(cardKinds(build, build)).toEqual({ graphics: undefined, capture: undefined, networkBitPerS: 10e9 });
  });

  test('a network is asked for at what carries the streams: 0.94 of its rate are left of it', () => {
    const steady = (more: object) => ({
      kind: 'custom',
      id: 'c',
      name: 'C',
      importance: 1,
      mode: 'real-time',
      unit: 'second',
      unitsPerS: 1,
      ...more,
    });
    const asked = (more: object) => {
      const found = assessed({ brief: { tasks: [steady(more)], sittings: [] } });
      return cardKinds(found, found).networkBitPerS;
    };
    expect(asked({ flows: [{ from: 'network', to: 'memory', gbytePerS: 0.3 }] })).toBeCloseTo(2.4e9 / 0.94, 0);
    expect(asked({ networkGB: 0.3 })).toBeCloseTo(2.4e9 / 0.94, 0);
  });
});

test('a drive that serves two roles is asked for both at once, in the sitting that asks most', () => {
  const custom = (id: string, more: object) => ({ kind: 'custom', id, name: id, importance: 1, unit: 'unit', ...more });
  const steady = (id: string, more: object) => custom(id, { mode: 'real-time', unitsPerS: 1, ...more });
  const tasks = [
    steady('footage', { readGB: { active: 2 } }),
    steady('cache', { readGB: { scratch: 1 } }),
    steady('copy', { flows: [{ from: 'active', to: 'memory', gbytePerS: 4 }] }),
    custom('export', { mode: 'elastic', unitsPerRun: 60, targetMin: 1, readGB: { active: 3, scratch: 2 } }),
  ];
  const sittings = [
    { id: 'cut', name: 'Cut', hoursPerWeek: 1, tasks: ['footage', 'cache'] },
    { id: 'night', name: 'Night', hoursPerWeek: 1, tasks: ['copy', 'export'] },
  ];
  const { facts } = assessed({ brief: { tasks, sittings } });
  const asked = (...roles: ('active' | 'scratch' | 'archive')[]) => askedTogether(facts, roles).read / 1e9;
  expect(asked('active')).toBeCloseTo(4, 9);
  expect(asked('scratch')).toBeCloseTo(2, 9);
  // the export reads 5 GB/s of both within its target; cutting asks for 3 at once
  expect(asked('active', 'scratch')).toBeCloseTo(5, 9);
  expect(asked('archive')).toBe(0);
});
