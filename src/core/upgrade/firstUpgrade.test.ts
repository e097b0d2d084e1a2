import { describe, expect, test } from 'vitest';
import { assess, contextOf, type Context } from '../assess';
import { finish } from '../assess/trials';
import { handOverOf } from '../assemble/handOver';
import { handOverBlocks } from '../formats/paper/handOver';
import { compileCatalogue } from '../model/catalogue';
import { editMachine, purchased } from '../model/edits';
import { rankCandidates } from '../search/candidates';
import { coinSteps, type Step } from '../search/coinSteps';
import { remedyTrials } from '../search/remedies';
import { assessed, BUSY, dataOf, partLike, without, type Change } from '../tests/world';
import { firstUpgradeWords } from '../words/firstUpgrade';
import { firstUpgradeTrials } from './firstUpgrade';

/** A processor with twice the cores, and a dearer one that is hardly better. */
const LARGER: Change = {
  brief: BUSY,
  addParts: [
    {
      ...partLike('cpu'),
      id: 'cpu-16',
      name: 'Test 16',
      coreGroups: [
        {
          kind: 'performance',
          count: 16,
          threadsPerCore: 2,
          baseGHz: 3.5,
          boostGHz: 5,
          allCoreGHz: 4,
          workPerClock: 1.5,
        },
      ],
    },
  ],
};
const contextWith = (change: Change): Context => contextOf(compileCatalogue(dataOf(change)), '2026-05-18');
const found = (owned: boolean, change: Change = LARGER): { step: Step | undefined; free: Step | undefined } => {
  const { machine, brief } = assessed(change).facts;
  const given = owned ? editMachine(machine, { kind: 'handed-over' }) : machine;
  return {
    step: finish(firstUpgradeTrials(given, brief, contextWith(change))),
    free: coinSteps(machine, brief, contextWith(change)).up[0],
  };
};

describe('what to upgrade first', () => {
  test('is the best single step of a machine whose parts are there: what is owned may go', () => {
    const { step, free } = found(true);
    expect([step?.part.id, free?.part.id]).toEqual(['cpu-16', 'cpu-16']);
    // what is there is paid: the new part costs all of it, 100.00 and tax, where it cost no more in its place before
    expect([step?.effect.priceMinor, free?.effect.priceMinor]).toEqual([107_50, 0]);
    expect(found(false).step?.effect.priceMinor).toBe(107_50);
  });

  test('stands on the sheet with what it brings and costs today', () => {
    const assessment = assessed(LARGER);
    const { step } = found(true);
    if (!step) throw new Error('no step');
    expect(firstUpgradeWords(step, assessment)).toBe(
      'First upgrade: Halcyte Test 16 for Halcyte Test 8, 107.50 USD today: Export × 1.75.',
    );
    const later = (upgrade?: Step): string =>
      JSON.stringify(handOverBlocks(handOverOf(assessment, 'Film desk', undefined, upgrade), assessment));
    expect(later(step)).toContain('First upgrade: Halcyte Test 16');
    expect(later()).not.toContain('First upgrade');
  });

  test('an addition to a machine that stands costs what it costs, though it is put in as owned', () => {
    const bare: Change = { items: without('card-1') };
    const { machine, brief } = assessed(bare).facts;
    const stands = editMachine(machine, { kind: 'handed-over' });
    const prices = (from: typeof machine) =>
      coinSteps(from, brief, contextWith(bare))
        .up.filter(({ edit }) => edit.kind === 'add')
        .map(({ part, effect }) => [part.id, effect.priceMinor]);
    expect(prices(stands)).toContainEqual(['card', 107_50]);
    expect(prices(stands)).toEqual(prices(machine));
  });

  test('so do candidates of the tray and remedies; what a person puts in is there', () => {
    const { machine, brief } = assessed(LARGER).facts;
    const stands = editMachine(machine, { kind: 'handed-over' });
    const ranked = rankCandidates(
      stands,
      brief,
      { kind: 'processor', item: 'cpu-1' },
      contextWith(LARGER),
      assess(stands, brief, contextWith(LARGER)),
    );
    expect(ranked.map(({ part, effect }) => [part.id, effect.priceMinor])).toEqual([
      ['cpu-16', 107_50],
      ['cpu', 0],
    ]);
    const bare: Change = { items: without('card-1') };
    const { machine: lacks, brief: asks } = assessed(bare).facts;
    const there = editMachine(lacks, { kind: 'handed-over' });
    const before = assess(there, asks, contextWith(bare));
    const missing = before.findings.find(({ level }) => level === 'blocks');
    const remedies = missing ? finish(remedyTrials(there, asks, missing, contextWith(bare), 3, before)) : [];
    expect(remedies.map(({ part, effect }) => [part?.id, effect.priceMinor])).toContainEqual(['card', 107_50]);
    const edit = { kind: 'swap', item: 'cpu-1', part: partLike('cpu', { id: 'cpu-16' }).id, label: 'x' } as const;
    const owned = (given: typeof stands) => given.items.find(({ id }) => id === 'cpu-1')?.owned;
    expect([owned(editMachine(stands, edit)), owned(purchased(stands, edit))]).toEqual([true, undefined]);
  });

  test('is none where nothing helps', () => {
    expect(found(true, { brief: BUSY }).step).toBeUndefined();
  });
});
