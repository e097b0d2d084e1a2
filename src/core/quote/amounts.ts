import type { TaskResult } from '../predict/results';
import { scale } from '../units/band';
import type { Amount } from './document';

/** What of a result is told in figures; a finding carries no more than this. */
export type Told = Pick<TaskResult, 'mode' | 'unit' | 'target' | 'gets' | 'atMost' | 'verdict'> & {
  readonly impossible: readonly unknown[];
};
type Gets = Exclude<Amount, { readonly kind: 'none' | 'paced' }>;

/** Work that nobody counts in units a second: it keeps up or it does not. */
const paced = ({ unit }: Told): boolean => unit === 'second' || unit === 'buffer';

/** What a task gets, as figures that any language can say. */
export function getsAmount(result: Told): Gets {
  if (result.impossible.length > 0) return { kind: 'fails' };
  const { gets, unit } = result;
  if (!gets) {
    const short = result.verdict === 'short';
    if (result.atMost === undefined && short) return { kind: 'starved' };
    return { kind: 'unknown', unit, short, ...(result.atMost === undefined ? {} : { atMost: result.atMost }) };
  }
  if (result.mode === 'elastic') return { kind: 'time', low: gets.low, high: gets.high };
  if (paced(result)) {
    const { low, high } = scale(gets, 1 / (result.target ?? 1));
    return { kind: 'pace', low, high, buffer: unit === 'buffer' };
  }
  return { kind: 'rate', low: gets.low, high: gets.high, unit };
}

/** What is asked of a task. */
export function needsAmount(result: Told): Amount {
  const { target, unit } = result;
  if (target === undefined) return { kind: 'none' };
  if (result.mode === 'elastic') return { kind: 'time', low: target, high: target };
  if (paced(result)) return { kind: 'paced', buffer: unit === 'buffer' };
  return { kind: 'rate', low: target, high: target, unit };
}
