import { describe, expect, test } from 'vitest';
import type { Found } from '../evidence/readers';
import type { Measurement } from '../model/measurement';
import { machineSchema } from '../model/machine';
import { assessed, machineOf } from '../tests/world';
import { acceptanceOf } from './acceptance';
import { asPromised, keptApart, learnable, withLearnt } from './learning';
import { judged } from './readings';

const assessment = assessed();
const { parts, brief } = assessment.facts;
const packed = (value: number): Found => ({
  workload: { work: 'compress', threads: 4 },
  value,
  unit: 'MIPS',
  tool: '7-Zip',
  use: 'calibrate',
});
/** All promises read as they were expected. */
const asExpected = judged(
  acceptanceOf(assessment),
  Object.fromEntries(acceptanceOf(assessment).map(({ id, likely }) => [id, { value: likely }])),
  brief.roomC,
);

describe('what a proof teaches', () => {
  test('results beside the readings wait; those of the same files make room, others stay', () => {
    const first = keptApart([], [packed(40_000)], 'a.txt', parts);
    expect(first.map(({ use, source }) => [use, source])).toEqual([['check', 'proof: a.txt']]);
    const again = keptApart(first, [packed(60_000)], 'a.txt', parts);
    expect(again.map(({ value }) => value)).toEqual([60_000]);
    const more = keptApart(again, [packed(61_000)], 'b.txt', parts);
    expect(more.map(({ value }) => value)).toEqual([60_000, 61_000]);
    expect(new Set(more.map(({ id }) => id)).size).toBe(2);
  });

  test('what passed and what waits can be learnt, once, and makes a machine that can be kept', () => {
    const waiting = keptApart([], [packed(40_000)], 'a.txt', parts);
    const learn = learnable(asExpected, waiting, parts);
    expect(learn.every(({ use }) => use === 'calibrate')).toBe(true);
    expect(learn.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['measured-1', 'proof.processor-work', 'proof.memory-stream']),
    );
    const evidence = withLearnt(waiting, learn);
    expect(new Set(evidence.map(({ id }) => id)).size).toBe(evidence.length);
    expect(learnable(asExpected, evidence, parts)).toEqual([]);
    expect(machineSchema.safeParse({ ...machineOf(), evidence }).success).toBe(true);
    // what falls short teaches nothing
    const short = asExpected.map((each) => ({ ...each, verdict: 'short' as const }));
    expect(learnable(short, [], parts)).toEqual([]);
  });

  test('a machine is held to what was promised before its proof', () => {
    const { machine } = assessment.facts;
    expect(asPromised(machine)).toBe(machine);
    const older: Measurement = { ...packed(50_000), id: 'old', source: 'last year', use: 'calibrate' };
    const waiting = keptApart([older], [packed(40_000)], 'a.txt', parts);
    const waits = { ...machine, evidence: waiting };
    expect(asPromised(waits)).toBe(waits);
    const taught = { ...machine, evidence: withLearnt(waiting, learnable(asExpected, waiting, parts)) };
    expect(asPromised(taught).evidence).toEqual([older]);
  });
});
