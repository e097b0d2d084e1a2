import { getsAmount, needsAmount, type Told } from '../quote/amounts';
import type { Band } from '../units/band';
import { duration, durationRange, number } from './format';

export type { Told } from '../quote/amounts';

export const range = (band: Band, format: (value: number) => string): string => {
  const [low, high] = [format(band.low), format(band.high)];
  return low === high ? low : `${low} – ${high}`;
};

const rateUnit = (unit: string): string => (unit === 'frame' ? 'fps' : `${unit}s/s`);
export const unitOf = ({ unit }: Told): string => (unit === 'second' ? '×' : rateUnit(unit));

const span = (low: number, high: number, digits?: number): string =>
  range({ low, likely: low, high }, (value) => number(value, digits));

/** What a task gets, as the trade writes it. */
export function getsText(result: Told): string {
  const gets = getsAmount(result);
  switch (gets.kind) {
    case 'fails':
      return 'does not run';
    case 'starved':
      return 'gets no time to run';
    case 'unknown':
      return gets.atMost === undefined
        ? 'unproven'
        : `${gets.short ? '' : 'unproven, '}at most ${number(gets.atMost)} ${unitOf(result)}`;
    case 'time':
      return durationRange(gets.low, gets.high);
    case 'pace':
      return `${span(gets.low, gets.high, 2)} × ${gets.buffer ? 'in time' : 'enough'}`;
    case 'rate':
      return `${span(gets.low, gets.high)} ${rateUnit(gets.unit)}`;
  }
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
  const needs = needsAmount(result);
  switch (needs.kind) {
    case 'time':
      return `need ${duration(needs.low)}`;
    case 'paced':
      return needs.buffer ? 'need in time' : 'must keep up';
    case 'rate':
      return `need ${number(needs.low)} ${rateUnit(needs.unit)}`;
    default:
      return 'no target';
  }
}
