import { describe, expect, test } from 'vitest';
import { assessed, plus, without, type Change } from '../tests/world';
import { findingWords } from '../words/findings';
import { compareVersions } from './firmware';
import { rules } from './index';
import type { Check } from './rule';

const checksOf = (change: Change, rule: string): Check[] =>
  assessed(change).checks.filter((check) => check.rule === rule);

/** For each rule a machine that fails (with the exact figures), one with a figure missing, and the one that passes. */
const CASES: Readonly<
  Record<
    string,
    {
      readonly fails?: readonly [Change, object];
      readonly unproven?: readonly [Change, string];
      readonly passes?: Change;
    }
  >
> = {
  'parts-known': {
    fails: [
      { items: plus({ id: 'odd', part: 'vanished', label: 'Old card' }) },
      { level: 'unproven', code: 'part-gone', label: 'Old card' },
    ],
  },
  'own-figures': {
    fails: [
      { parts: { card: { figuresFrom: 'cpu' } } },
      { level: 'caution', code: 'borrowed-figures', name: 'Palisar Test 12', from: 'Halcyte Test 8' },
    ],
  },
  'parts-on-sale': {
    fails: [
      { parts: { card: { withdrawn: '2026-05-01' } } },
      { level: 'caution', code: 'part-withdrawn', date: '2026-05-01' },
    ],
  },
  'parts-complete': {
    fails: [{ items: without('psu-1') }, { level: 'blocks', code: 'part-missing', kind: 'supply' }],
    unproven: [{ items: without('cooler-1'), parts: { cpu: { coolerIncluded: undefined } } }, 'coolerIncluded'],
  },
  socket: {
    fails: [{ parts: { cpu: { socket: 'Gannet' } } }, { level: 'blocks', socket: 'Gannet', boardSocket: 'Dunlin' }],
    unproven: [{ parts: { board: { socket: undefined } } }, 'socket'],
  },
  'processor-family': {
    fails: [{ parts: { cpu: { family: 'Knot' } } }, { level: 'blocks', family: 'Knot' }],
    unproven: [{ parts: { board: { processorFamilies: undefined } } }, 'processorFamilies'],
  },
  firmware: {
    fails: [
      { parts: { board: { shippedFirmware: '1.4', flashWithoutProcessor: false } } },
      { level: 'blocks', minimum: '1.5', has: '1.4', flashable: false },
    ],
    unproven: [{ parts: { board: { shippedFirmware: undefined } } }, 'shippedFirmware'],
  },
  'memory-generation': {
    fails: [{ parts: { board: { memoryGeneration: 'DDR4' } } }, { level: 'blocks', generation: 'DDR5', wants: 'DDR4' }],
    unproven: [{ parts: { kit: { generation: undefined } } }, 'generation'],
  },
  'module-kind': {
    fails: [
      { parts: { kit: { moduleKind: 'registered' } } },
      { level: 'blocks', moduleKind: 'registered', wants: 'unbuffered' },
    ],
    unproven: [{ parts: { kit: { moduleKind: undefined } } }, 'moduleKind'],
  },
  'profile-kind': {
    fails: [
      { parts: { kit: { profileKind: 'XP' } } },
      { level: 'caution', profile: 'XP', reads: 'EP', effectiveMTs: 4800 },
    ],
    unproven: [{ parts: { board: { profileKinds: undefined } } }, 'profileKinds'],
  },
  'memory-slots': {
    fails: [
      { items: plus({ id: 'kit-2', part: 'kit' }, { id: 'kit-3', part: 'kit' }) },
      { level: 'blocks', modules: 6, slots: 4 },
    ],
    unproven: [{ parts: { kit: { modules: undefined } } }, 'modules'],
  },
  'memory-capacity': {
    fails: [
      { parts: { board: { moduleLimitGiB: 16 } } },
      { level: 'blocks', code: 'module-capacity', gib: 32, limitGib: 16 },
    ],
    unproven: [{ parts: { board: { memoryLimitGiB: undefined } } }, 'memoryLimitGiB'],
  },
  'memory-channels': {
    fails: [{ parts: { kit: { modules: 1 } } }, { level: 'caution', populated: 1, channels: 2, even: false }],
  },
  'memory-rate': {
    fails: [
      { items: plus({ id: 'kit-2', part: 'kit' }) },
      { level: 'caution', processorMTs: 4000, effectiveMTs: 5600 },
    ],
    unproven: [{ parts: { kit: { ranks: undefined } } }, 'ranks'],
  },
  'mixed-kits': {
    fails: [
      {
        addParts: [
          {
            kind: 'memory',
            id: 'kit-b',
            maker: 'Cinderpath',
            name: 'Other',
            generation: 'DDR5',
            modules: 2,
            moduleGiB: 32,
            ranks: 2,
          },
        ],
        items: plus({ id: 'kit-2', part: 'kit-b' }),
      },
      { level: 'caution', kits: ['Sablerow Test 2x32 5600', 'Cinderpath Other'] },
    ],
    passes: { items: plus({ id: 'kit-2', part: 'kit' }) },
  },
  'error-correction': {
    fails: [
      { brief: { mustHaves: { errorCorrection: true } } },
      { level: 'blocks', without: ['Sablerow Test 2x32 5600'] },
    ],
    unproven: [
      {
        brief: { mustHaves: { errorCorrection: true } },
        parts: { kit: { errorCorrection: true }, board: { errorCorrection: undefined } },
      },
      'errorCorrection',
    ],
    passes: { brief: { mustHaves: { errorCorrection: true } }, parts: { kit: { errorCorrection: true } } },
  },
  'card-length': {
    fails: [
      { parts: { card: { lengthMm: 341 } } },
      { level: 'blocks', lengthMm: 341, spaceMm: 340, frontRadiator: false },
    ],
    unproven: [{ parts: { case: { cardLengthMm: undefined } } }, 'cardLengthMm'],
  },
  'device-place': {
    fails: [
      { items: plus({ id: 'ssd-2', part: 'ssd' }, { id: 'ssd-3', part: 'ssd' }) },
      { level: 'blocks', reason: 'taken' },
    ],
    unproven: [{ parts: { card: { slots: undefined } } }, 'slots'],
  },
  link: {
    fails: [
      { parts: { ssd: { generation: 5 } } },
      {
        level: 'caution',
        ownGBs: expect.closeTo((256 * 4) / 65, 9) as number,
        getsGBs: expect.closeTo((128 * 4) / 65, 9) as number,
      },
    ],
    unproven: [{ parts: { card: { lanes: undefined } } }, 'lanes'],
  },
  'cooler-socket': {
    fails: [
      { parts: { cooler: { sockets: [{ socket: 'Dunlin', kit: 'apart' }] } } },
      { level: 'blocks', kit: 'apart', adds: ['accessory'] },
    ],
    unproven: [{ parts: { cooler: { sockets: undefined } } }, 'sockets'],
  },
  'cooler-height': {
    fails: [{ parts: { cooler: { heightMm: 166 } } }, { level: 'blocks', heightMm: 166, spaceMm: 165 }],
    unproven: [{ parts: { cooler: { heightMm: undefined } } }, 'heightMm'],
  },
  'cooler-load': {
    fails: [
      { parts: { cooler: { resistance: [{ rpm: 1000, kPerW: 0.6 }] } } },
      { level: 'caution', leastC: 96, limitC: 95 },
    ],
    unproven: [{ parts: { cooler: { resistance: undefined } } }, 'resistance'],
  },
  'radiator-mount': {
    fails: [
      { parts: { cooler: { type: 'liquid', radiatorMm: 420 } } },
      { level: 'blocks', radiatorMm: 420, sides: [] },
    ],
    unproven: [{ parts: { cooler: { type: 'liquid' } } }, 'radiatorMm'],
    passes: { parts: { cooler: { type: 'liquid', radiatorMm: 360 } } },
  },
  'memory-under-cooler': {
    fails: [{ parts: { kit: { heightMm: 44 } } }, { level: 'blocks', heightMm: 44, spaceMm: 42 }],
    unproven: [{ parts: { kit: { heightMm: undefined } } }, 'heightMm'],
  },
  'board-form': {
    fails: [{ parts: { board: { form: 'E-ATX' } } }, { level: 'blocks', form: 'E-ATX', takes: ['Micro-ATX', 'ATX'] }],
    unproven: [{ parts: { case: { boardForms: undefined } } }, 'boardForms'],
  },
  'supply-form': {
    fails: [{ parts: { psu: { form: 'SFX' } } }, { level: 'blocks', form: 'SFX', takes: ['ATX'] }],
    unproven: [{ parts: { psu: { form: undefined } } }, 'form'],
  },
  'supply-length': {
    fails: [{ parts: { psu: { lengthMm: 201 } } }, { level: 'blocks', lengthMm: 201, spaceMm: 200 }],
    unproven: [{ parts: { case: { supplyLengthMm: undefined } } }, 'supplyLengthMm'],
  },
  // 120 + 200 + 25 + 10 + 7 + 8 + 6 + 2 W
  'supply-power': {
    fails: [{ parts: { psu: { ratedW: 377 } } }, { level: 'blocks', code: 'supply-peak', peakW: 378, ratedW: 377 }],
    unproven: [{ parts: { card: { boardPowerW: undefined } } }, 'boardPowerW'],
  },
  'supply-connectors': {
    fails: [
      { parts: { card: { connectors: { 'card-16': 2 } } } },
      { level: 'blocks', connector: 'card-16', needs: 2, has: 1 },
    ],
    unproven: [{ parts: { psu: { connectors: undefined } } }, 'connectors'],
  },
  'board-power': {
    fails: [{ parts: { cpu: { maxPowerW: 201 } } }, { level: 'caution', powerW: 201, sustainsW: 200 }],
    unproven: [{ parts: { board: { processorPowerW: undefined } } }, 'processorPowerW'],
  },
  'drive-bays': {
    fails: [{ parts: { case: { bays35: 0 } } }, { level: 'blocks', size: '3.5"', drives: 1, bays: 0 }],
    unproven: [{ parts: { case: { bays35: undefined } } }, 'bays35'],
  },
  'system-drive': {
    fails: [
      { items: (items) => items.map((item) => (item['id'] === 'ssd-1' ? { ...item, roles: ['active'] } : item)) },
      { level: 'caution', drives: 0 },
    ],
  },
  'picture-path': {
    fails: [{ items: without('card-1') }, { level: 'blocks', from: 'none' }],
    unproven: [{ items: without('card-1'), parts: { cpu: { integratedGraphics: undefined } } }, 'integratedGraphics'],
  },
  'display-outputs': {
    fails: [
      { brief: { ownedDisplays: ['screen', 'screen', 'screen', 'screen'] } },
      { level: 'blocks', displays: 4, outputs: 3 },
    ],
    unproven: [{ parts: { card: { outputs: undefined } } }, 'outputs'],
  },
  'must-haves': {
    fails: [
      { brief: { mustHaves: { networkGbitPerS: 10 } } },
      { level: 'blocks', code: 'network', hasGbit: 2.5, needsGbit: 10 },
    ],
    unproven: [{ brief: { mustHaves: { wireless: true } }, parts: { board: { wireless: undefined } } }, 'wireless'],
    passes: { brief: { mustHaves: { networkGbitPerS: 2.5, wireless: true, volumeL: 45 } } },
  },
  // 200 Mbit/s for 2 hours is 180 GB
  'drive-space': {
    fails: [{ parts: { ssd: { capacityGB: 179 } } }, { level: 'blocks', role: 'active', needsGB: 180, hasGB: 179 }],
    unproven: [{ parts: { ssd: { capacityGB: undefined } } }, 'capacityGB'],
  },
  'task-figures': { unproven: [{ parts: { card: { fp32Tflops: undefined } } }, 'fp32Tflops'] },
};

describe('every rule', () => {
  test('passes in the machine where all is well', () => {
    expect(assessed().findings.map((finding) => findingWords(finding).says)).toEqual([]);
  });

  for (const [rule, { fails, unproven, passes }] of Object.entries(CASES)) {
    if (fails)
      test(`${rule} fails with its figures`, () => {
        const bad = checksOf(fails[0], rule).filter((check) => check.level !== 'passes');
        expect(bad).toEqual(expect.arrayContaining([expect.objectContaining(fails[1])]));
      });
    if (unproven)
      test(`${rule} is unproven without ${unproven[1]}, and names it`, () => {
        const found = checksOf(unproven[0], rule).filter((check) => check.level === 'unproven');
        expect(
          found.flatMap((check) => ('missing' in check ? check.missing.map((figure) => figure.field) : [])),
        ).toContain(unproven[1]);
      });
    if (fails || passes)
      test(`${rule} passes`, () => {
        const checks = checksOf(passes ?? {}, rule);
        expect(checks.filter((check) => check.level !== 'passes')).toEqual([]);
        if (passes) expect(checks.length).toBeGreaterThan(0);
      });
  }

  test('is tried here, but for those whose answer needs no machine of its own', () => {
    const tried = new Set([...Object.keys(CASES), 'slots-off', 'application-floor', 'prices-known']);
    expect(rules.map((rule) => rule.id).filter((id) => !tried.has(id))).toEqual([]);
  });

  test('reports only levels it declares', () => {
    for (const { fails, unproven } of Object.values(CASES))
      for (const change of [fails?.[0], unproven?.[0]])
        if (change)
          for (const check of assessed(change).checks)
            if (check.level !== 'passes')
              expect(
                rules.find((rule) => rule.id === check.rule)?.levels,
                `${check.rule} said ${check.level}`,
              ).toContain(check.level);
  });
});

describe('findings', () => {
  test('firmware that can be flashed without a processor is a caution', () => {
    expect(checksOf({ parts: { board: { shippedFirmware: '1.4' } } }, 'firmware')).toEqual([
      expect.objectContaining({ level: 'caution', flashable: true }),
    ]);
  });

  test('a front radiator takes room from the cards, one on top does not', () => {
    const liquid = (radiatorMm: number) =>
      checksOf({ parts: { cooler: { type: 'liquid', radiatorMm }, card: { lengthMm: 320 } } }, 'card-length');
    expect(liquid(360)).toEqual([expect.objectContaining({ level: 'blocks', spaceMm: 310, frontRadiator: true })]);
    expect(liquid(240)).toEqual([expect.objectContaining({ level: 'passes', spaceMm: 340, frontRadiator: false })]);
  });

  test('a mounting kit in the machine mounts the cooler', () => {
    const change: Change = {
      parts: { cooler: { sockets: [{ socket: 'Dunlin', kit: 'apart' }] } },
      addParts: [
        {
          kind: 'accessory',
          id: 'mount',
          maker: 'Northdraft',
          name: 'Mount',
          purpose: 'mounting-kit',
          fitsCooler: 'cooler',
          fitsSocket: 'Dunlin',
        },
      ],
      items: plus({ id: 'mount-1', part: 'mount' }),
    };
    expect(checksOf(change, 'cooler-socket')).toEqual([expect.objectContaining({ level: 'passes', kit: 'added' })]);
  });

  test('a power total with an unknown part can prove a supply too small but never large enough', () => {
    const unsure = checksOf({ parts: { card: { boardPowerW: undefined } } }, 'supply-power');
    expect(unsure.map((check) => check.level)).toEqual(['unproven']);
    const small = checksOf({ parts: { card: { boardPowerW: undefined }, psu: { ratedW: 100 } } }, 'supply-power');
    expect(small.map((check) => check.level)).toContain('blocks');
  });

  test('parts without an offer make the total a lower bound: unproven with a budget, a note without', () => {
    const lost = (brief: object) =>
      checksOf({ items: plus({ id: 'x', part: 'vanished', label: 'Old card' }), brief: { ...brief } }, 'prices-known');
    expect(lost({ budgetMinor: 200_000 })).toEqual([
      expect.objectContaining({ level: 'unproven', names: ['Old card'] }),
    ]);
    expect(lost({})).toEqual([expect.objectContaining({ level: 'note' })]);
  });

  test('a thick card covers the slot below it and says which', () => {
    const covered = checksOf({ parts: { card: { slots: 3.5 } } }, 'slots-off');
    expect(covered).toEqual([expect.objectContaining({ code: 'slot-off', slot: 'Card slot 2', how: 'covered' })]);
  });

  test('nothing but a case, and two boards, are answered', () => {
    const bare = assessed({ items: () => [{ id: 'case-1', part: 'case' }] });
    expect(
      bare.findings
        .filter((finding) => finding.code === 'part-missing')
        .map((finding) => ('kind' in finding ? finding.kind : '')),
    ).toEqual(['processor', 'board', 'memory', 'drive', 'supply']);
    const twice = assessed({ items: plus({ id: 'board-2', part: 'board' }) });
    expect(twice.findings).toEqual(
      expect.arrayContaining([expect.objectContaining({ code: 'part-count', kind: 'board', count: 2 })]),
    );
  });

  test('every finding has words that name a figure or the part', () => {
    for (const { fails } of Object.values(CASES))
      if (fails)
        for (const finding of assessed(fails[0]).findings)
          expect(findingWords(finding).says).toMatch(/[A-Z0-9].{12,}\.$/);
  });
});

test('versions compare number by number, not as text', () => {
  expect(compareVersions('2.10', '2.9')).toBeGreaterThan(0);
  expect(compareVersions('1.0', '1.0.0')).toBe(0);
  expect(compareVersions('0.9', '1')).toBeLessThan(0);
});
