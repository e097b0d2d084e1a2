import { withPart } from '../evidence/comparable';
import { withIds, type Found } from '../evidence/readers';
import type { FittedParts } from '../model/fitted';
import type { Machine } from '../model/machine';
import { UNITS, type Measurement } from '../model/measurement';
import type { Judged } from './readings';

/** Where results of a proof come from; files are named behind it. */
const PROOF = 'proof';
const ofProof = ({ source }: Measurement): boolean => source === PROOF || source.startsWith(`${PROOF}: `);
const sourceOf = (files: string): string => `${PROOF}: ${files}`.slice(0, 120);
const MOST_RESULTS = 500;

type List = readonly Measurement[];

/**
 * The machine as it was promised: without what its own proof has taught, so that readings are held against what was said
 * before them. The same object when it has taught nothing.
 */
export function asPromised(machine: Machine): Machine {
  const { evidence = [] } = machine;
  return evidence.some((each) => ofProof(each) && each.use === 'calibrate')
    ? { ...machine, evidence: evidence.filter((each) => !ofProof(each)) }
    : machine;
}

/**
 * A machine's results with those that came beside its readings, kept apart until the machine is seen to be sound. What
 * waits of the same files was measured before something was mended, and makes room.
 */
export function keptApart(list: List, others: readonly Found[], files: string, parts: FittedParts): Measurement[] {
  const source = sourceOf(files);
  const rest = list.filter((each) => each.use !== 'check' || each.source !== source);
  const found = withIds(others, source, rest).map((each) => withPart({ ...each, use: 'check' }, parts));
  return [...rest, ...found].slice(-MOST_RESULTS);
}

/** What the predictions could learn: readings that passed, and results that came with them; not what they have learnt. */
export function learnable(read: readonly Judged[], list: List, parts: FittedParts): Measurement[] {
  const known = new Set(list.map(({ id }) => id));
  const passed = read.flatMap(({ test, reading, verdict }): Measurement[] => {
    const unit = UNITS.find((each) => each === test.unit);
    const id = `${PROOF}.${test.id.toLowerCase().replace(/[^a-z0-9.-]+/g, '-')}`.slice(0, 80);
    if (verdict !== 'passes' || !test.workload || !unit || !(reading.value > 0) || known.has(id)) return [];
    const result = { id, workload: test.workload, value: reading.value, unit, tool: 'acceptance test', source: PROOF };
    return [withPart({ ...result, use: 'calibrate' }, parts)];
  });
  const waiting = list.filter((each) => each.use === 'check' && ofProof(each));
  return [...passed, ...waiting.map((each) => ({ ...each, use: 'calibrate' as const }))];
}

/** A machine's results once it has learnt. */
export const withLearnt = (list: List, learnt: List): Measurement[] =>
  [...list.filter(({ id }) => !learnt.some((each) => each.id === id)), ...learnt].slice(-MOST_RESULTS);
