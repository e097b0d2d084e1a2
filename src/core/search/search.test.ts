import { describe, expect, test } from 'vitest';
import {
  BUSY,
  briefOf,
  dataOf,
  DESK,
  EXPORT,
  machineOf,
  PARTS,
  PLAY,
  plus,
  swapped,
  type Change,
} from '../tests/world';
import { usualSettings } from '../model/settings';
import { assess, contextOf, type Assessment } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { editBrief, editMachine, freshItemId, freshTaskId } from '../model/edits';

import type { CatalogueData } from '../model/catalogueSchema';
import { rankCandidates } from './candidates';
import { coinSteps } from './coinSteps';
import { effectOf, outcomeOf } from './effect';
import { remediesFor } from './remedies';

const like = (id: string, as: string, patch: Record<string, unknown>) => ({
  ...PARTS.find((part) => part['id'] === id),
  id: as,
  name: `Test ${as}`,
  ...patch,
});
const MORE = [
  like('cooler', 'cooler-low', { heightMm: 150 }),
  like('cooler', 'cooler-tall', { heightMm: 170 }),
  like('case', 'case-wide', { coolerHeightMm: 180 }),
  like('card', 'card-fast', {
    fp32Tflops: 40,
    memoryGBs: 900,
    mediaEngines: [
      {
        direction: 'decode',
        codec: 'hevc',
        chroma: '4:2:2',
        bitDepth: 10,
        mpxPerS: 3000,
        maxWidth: 8192,
        maxHeight: 8192,
      },
    ],
  }),
  like('card', 'card-long', { lengthMm: 400, fp32Tflops: 60 }),
  like('card', 'card-old', { withdrawn: '2026-01-01' }),
  like('card', 'card-vague', { fp32Tflops: undefined }),
];

/** Prices by part id, in whole coins; 100 otherwise. */
function dataWith(prices: Readonly<Record<string, number>>): CatalogueData {
  const data = dataOf({
    addParts: MORE.map((part) => Object.fromEntries(Object.entries(part).filter(([, value]) => value !== undefined))),
  });
  return { ...data, offers: data.offers.map((offer) => ({ ...offer, priceMinor: (prices[offer.part] ?? 100) * 100 })) };
}
const PRICES = { 'cooler-low': 60, 'case-wide': 90, 'card-fast': 180, 'card-long': 150 };
const context = contextOf(compileCatalogue(dataWith(PRICES)), '2026-05-18');
const brief = briefOf();
/** Work that the plain card only just does, so that a faster one is worth something. */
const hard = briefOf({
  brief: { tasks: [{ ...PLAY, correctionSteps: 60, temporalNr: 'strong' }, DESK], sittings: [] },
});
const tall: Change = { items: swapped('cooler-1', 'cooler-tall') };

const effectBetween = (before: Assessment, after: Assessment) => effectOf(outcomeOf(before), outcomeOf(after));

describe('remedies', () => {
  const machine = machineOf(tall);
  const before = assess(machine, brief, context);
  const finding = before.findings.find((entry) => entry.code === 'cooler-height');

  test('are found by trying: each mends the finding and brings nothing as bad', () => {
    expect(finding).toMatchObject({ level: 'blocks', heightMm: 170, spaceMm: 165 });
    if (!finding) return;
    const remedies = remediesFor(machine, brief, finding, context, 10);
    expect(remedies.map((remedy) => remedy.part?.id).sort()).toEqual(['case-wide', 'cooler', 'cooler-low']);
    for (const remedy of remedies) {
      const after = assess(editMachine(machine, remedy.edit), brief, context);
      expect(after.findings.map(({ key }) => key)).not.toContain(finding.key);
      expect(after.findings.filter((entry) => entry.level === 'blocks')).toEqual([]);
    }
  });

  test('the cheapest stands first, other kinds of part beside it', () => {
    if (!finding) return;
    const [first, second] = remediesFor(machine, brief, finding, context, 2);
    expect(first?.part?.id).toBe('cooler-low');
    // 60 instead of 100 coins, and 7.5 % of the difference
    expect(first?.effect.priceMinor).toBe(-4300);
    expect(second?.part?.kind).toBe('case');
  });

  test('a missing part is added', () => {
    const bare = machineOf({ items: (items) => items.filter((item) => item['id'] !== 'psu-1') });
    const missing = assess(bare, brief, context).findings.find((entry) => entry.code === 'part-missing');
    if (!missing) throw new Error('the supply should be missed');
    expect(remediesFor(bare, brief, missing, context)[0]?.edit).toMatchObject({
      kind: 'add',
      item: { id: 'supply-1', part: 'psu' },
    });
  });

  test('memory above its supported rate can be set back', () => {
    const two = machineOf({ items: plus({ id: 'kit-2', part: 'kit' }) });
    const rate = assess(two, brief, context).findings.find((entry) => entry.code === 'memory-rate');
    if (!rate) throw new Error('the rate should be cautioned about');
    expect(remediesFor(two, brief, rate, context).map((remedy) => remedy.edit)).toContainEqual({
      kind: 'memory-profile',
      profile: 'off',
    });
  });
});

describe('candidates', () => {
  const machine = machineOf();
  const candidates = rankCandidates(machine, hard, { kind: 'graphics', item: 'card-1' }, context);

  test('fit first; what does not fit says why; withdrawn parts are left out', () => {
    expect(candidates.map((candidate) => candidate.part.id)).not.toContain('card-old');
    const long = candidates.find((candidate) => candidate.part.id === 'card-long');
    expect(long?.fits).toBe(false);
    expect(long?.effect.brought).toEqual([expect.objectContaining({ code: 'card-length', lengthMm: 400 })]);
    expect(candidates.at(-1)?.fits).toBe(false);
    expect(candidates.find((candidate) => candidate.current)?.part.id).toBe('card');
  });

  test('a faster card gains, an unknown figure brings an unproven finding', () => {
    const fast = candidates.find((candidate) => candidate.part.id === 'card-fast');
    expect(fast?.effect.gain).toBeGreaterThan(0);
    expect(fast?.effect.priceMinor).toBe(8600);
    const vague = candidates.find((candidate) => candidate.part.id === 'card-vague');
    expect(vague?.effect.brought.map((entry) => entry.level)).toContain('unproven');
    expect(candidates.indexOf(fast ?? candidates[0]!)).toBeLessThan(candidates.indexOf(vague ?? candidates[0]!));
  });

  test('no dearer and no worse stands above all', () => {
    const cheap = contextOf(compileCatalogue(dataWith({ ...PRICES, 'card-fast': 100 })), '2026-05-18');
    expect(rankCandidates(machine, hard, { kind: 'graphics', item: 'card-1' }, cheap)[0]?.part.id).toBe('card-fast');
  });

  test('a new drive gets the roles of its position', () => {
    const drive = rankCandidates(machine, brief, { kind: 'drive', roles: ['backup'] }, context)[0];
    expect(drive?.edit).toMatchObject({ kind: 'add', item: { id: 'drive-1', roles: ['backup'] } });
  });
});

test('a part that was measured is not told of by one that is alike in all figures', () => {
  const twins = ['cpu-b', 'cpu-c', 'cpu-d'].map((id) =>
    like('cpu', id, { maker: id === 'cpu-d' ? 'Relaypike' : 'Halcyte' }),
  );
  const catalogue = compileCatalogue(dataOf({ addParts: twins }));
  const { outWidth: width, outHeight: height, outCodec: codec, outChroma: chroma, preset } = EXPORT;
  const measured = machineOf({
    items: swapped('cpu-1', 'cpu-b'),
    machine: {
      id: 'measured',
      evidence: [
        {
          id: 'one',
          workload: { work: 'encode', width, height, threads: 1, target: { codec, preset, chroma } },
          value: 9,
          unit: 'fps',
          tool: 'bench',
          source: 'bench',
          use: 'calibrate',
        },
      ],
    },
  });
  const seen = contextOf(catalogue, '2026-05-18', usualSettings, [measured]);
  const busy = briefOf({ brief: BUSY });
  const machine = machineOf();
  const before = assess(machine, busy, seen);
  const ranked = rankCandidates(machine, busy, { kind: 'processor', item: 'cpu-1' }, seen);
  const toldOf = ({ edit }: (typeof ranked)[number]) => outcomeOf(assess(editMachine(machine, edit), busy, seen));
  expect(ranked.map(({ part }) => part.id).sort()).toEqual(['cpu', 'cpu-b', 'cpu-c', 'cpu-d']);
  for (const each of ranked)
    expect(each.effect.tasks, each.part.id).toEqual(effectOf(outcomeOf(before), toldOf(each)).tasks);
  // the measured one, its family and the one of another maker do not do the same
  const speeds = new Set(ranked.map((each) => JSON.stringify(toldOf(each).tasks.map(({ gets }) => gets?.likely))));
  expect(speeds.size).toBe(3);
});

test('the next coin: steps up are dearer and faster, savings cheaper, none brings a caution', () => {
  const machine = machineOf();
  const { up, savings, tried } = coinSteps(machine, hard, context);
  expect(tried).toBeGreaterThan(4);
  expect(up.map((step) => step.part.id)).toEqual(['card-fast']);
  expect(savings.map((step) => step.part.id)).toEqual(['cooler-low', 'case-wide']);
  for (const step of [...up, ...savings])
    expect(step.effect.brought.filter((entry) => entry.level !== 'note')).toEqual([]);
});

describe('effects', () => {
  test('an edit and its way back cancel out', () => {
    const machine = machineOf();
    const faster = editMachine(machine, { kind: 'swap', item: 'card-1', part: 'card-fast' as never, label: 'fast' });
    const there = effectBetween(assess(machine, brief, context), assess(faster, brief, context));
    const back = effectBetween(assess(faster, brief, context), assess(machine, brief, context));
    expect(there.gain + back.gain).toBeCloseTo(0, 12);
    expect((there.priceMinor ?? 0) + (back.priceMinor ?? 0)).toBe(0);
  });

  test('a total that is only a lower bound has no price change to show', () => {
    const odd = editMachine(machineOf(), { kind: 'add', item: { id: 'x', part: 'ghost' as never } });
    expect(effectBetween(assess(machineOf(), brief, context), assess(odd, brief, context)).priceMinor).toBeUndefined();
  });
});

describe('edits', () => {
  const machine = machineOf();
  test('that change nothing give back the same machine', () => {
    expect(editMachine(machine, { kind: 'swap', item: 'card-1', part: 'card' as never, label: 'same' })).toBe(machine);
    expect(editMachine(machine, { kind: 'remove', item: 'nothing' })).toBe(machine);
    expect(editMachine(machine, { kind: 'unpin', item: 'card-1' })).toBe(machine);
    expect(editMachine(machine, { kind: 'memory-profile', profile: 'on' })).toBe(machine);
    expect(editMachine(machine, { kind: 'own', item: 'card-1', owned: false })).toBe(machine);
  });

  test('do not touch the machine they are given, and taking a part out lets its pin go', () => {
    const pinned = editMachine(machine, { kind: 'pin', item: 'ssd-1', slot: 'm2-2' });
    expect(machine.pins).toBeUndefined();
    expect(editMachine(pinned, { kind: 'remove', item: 'ssd-1' }).pins).toEqual({});
  });

  test('fresh ids are free', () => {
    expect(
      freshItemId(editMachine(machine, { kind: 'add', item: { id: 'drive-1', part: 'ssd' as never } }), 'drive'),
    ).toBe('drive-2');
    expect(freshTaskId(brief, 'desk')).toBe('desk-1');
  });

  test('a task taken out leaves its sittings, and an empty sitting goes', () => {
    const once = editBrief(brief, { kind: 'remove-task', task: 'play' });
    expect(once.sittings).toEqual([expect.objectContaining({ tasks: ['desk'] })]);
    expect(editBrief(once, { kind: 'remove-task', task: 'desk' }).sittings).toEqual([]);
  });

  test('the budget can be set and taken away', () => {
    const set = editBrief(brief, { kind: 'set-budget', budgetMinor: 100_00 });
    expect(set.budgetMinor).toBe(10_000);
    expect('budgetMinor' in editBrief(set, { kind: 'set-budget' })).toBe(false);
  });
});
