import type { TaskResult } from '../predict/results';
import { scale, type Band } from '../units/band';
import { duration, durationRange, number } from './format';

/** What of a result is told in figures; a finding carries no more than this. */
export type Told = Pick<TaskResult, 'mode' | 'unit' | 'target' | 'gets' | 'atMost' | 'verdict'> & {
  readonly impossible: readonly unknown[];
};

export const range = (band: Band, format: (value: number) => string): string => {
  const [low, high] = [format(band.low), format(band.high)];
  return low === high ? low : `${low} – ${high}`;
};

export const unitOf = (result: Told): string =>
  result.unit === 'frame' ? 'fps' : result.unit === 'second' ? '×' : `${result.unit}s/s`;

/** Work that nobody counts in units a second: it keeps up or it does not. */
const paced = ({ unit }: Told): boolean => unit === 'second' || unit === 'buffer';

/** What a task gets, as the trade writes it. */
export function getsText(result: Told): string {
  if (result.impossible.length > 0) return 'does not run';
  if (!result.gets) {
    const short = result.verdict === 'short';
    if (result.atMost === undefined) return short ? 'gets no time to run' : 'unproven';
    return `${short ? '' : 'unproven, '}at most ${number(result.atMost)} ${unitOf(result)}`;
  }
  if (result.mode === 'elastic') return durationRange(result.gets.low, result.gets.high);
  if (paced(result)) {
    const target = result.target ?? 1;
    return `${range(scale(result.gets, 1 / target), (value) => number(value, 2))} × ${result.unit === 'buffer' ? 'in time' : 'enough'}`;
  }
  return `${range(result.gets, (value) => number(value))} ${unitOf(result)}`;
}

/** Known not to run: impossible, or without time left for it. */
const stands = (result: Told): boolean =>
  result.impossible.length > 0 || (!result.gets && result.atMost === undefined && result.verdict === 'short');

/** Where two results have no ratio: which side is known not to run it. What is unknown on a side proves nothing. */
export function runsWhere(ours: Told, theirs: Told): string {
  if (stands(ours) && stands(theirs)) return 'runs on neither';
  if (stands(theirs) && ours.gets) return 'runs only here';
  if (stands(ours) && theirs.gets) return 'runs only there';
  return 'unproven';
}

export function needText(result: Told): string {
  if (result.target === undefined) return 'no target';
  if (result.mode === 'elastic') return `need ${duration(result.target)}`;
  if (paced(result)) return result.unit === 'buffer' ? 'need in time' : 'must keep up';
  return `need ${number(result.target)} ${unitOf(result)}`;
}
