import { describe, expect, test } from 'vitest';
import type { PartOf } from '../parts';
import { assessed, dataOf } from '../tests/world';
import { routeWords, stepWords, wayBackWords } from '../words/firmware';
import { firmwarePlan, versionToTake } from './plan';

const release = (version: string, fault?: string) => ({
  version,
  channel: 'release' as const,
  ...(fault ? { fault } : {}),
});
const beta = (version: string) => ({ version, channel: 'beta' as const });

describe('the version to take', () => {
  test('is the newest release without a known fault that knows the processor', () => {
    expect(
      versionToTake([release('1.4'), release('1.6'), release('1.10', 'resets its clock'), beta('1.12')], '1.5')
        ?.version,
    ).toBe('1.6');
  });
  test('is a faulty release before a beta, and a beta before none', () => {
    expect(versionToTake([release('1.4'), release('1.10', 'resets its clock'), beta('1.12')], '1.5')?.version).toBe(
      '1.10',
    );
    expect(versionToTake([release('1.4'), beta('1.12'), beta('1.11')], '1.5')?.version).toBe('1.12');
    expect(versionToTake([release('1.4')], '1.5')).toBeUndefined();
  });
});

const planOf = (board: Record<string, unknown>, byHand?: string) => {
  const parts = dataOf({ parts: { board } }).parts;
  return firmwarePlan(
    parts.find((part): part is PartOf<'board'> => part.kind === 'board') as PartOf<'board'>,
    parts.find((part): part is PartOf<'processor'> => part.kind === 'processor'),
    byHand,
  );
};

describe('the way there', () => {
  test('needs nothing when the board ships with it, or has it by hand', () => {
    expect(planOf({}).route).toBe('not-needed');
    expect(planOf({ shippedFirmware: '1.0' }, '1.5').route).toBe('not-needed');
  });
  test('without a processor: load, stick, power, press, clear, look', () => {
    const plan = planOf({ shippedFirmware: '1.0' });
    expect(plan.route).toBe('without-processor');
    expect(plan.steps.map((step) => step.do)).toEqual([
      'load',
      'stick',
      'power-bench',
      'press-flash',
      'clear-settings',
      'check-version',
    ]);
    expect(plan.wayBack).toBe('flash-again');
    expect(stepWords(plan.steps[0] ?? { do: 'stick' })).toBe(
      "Load firmware 2.0 from the board's maker and check its sum.",
    );
  });
  test('with a processor names the families that start on what the board has', () => {
    const plan = planOf({
      shippedFirmware: '1.0',
      flashWithoutProcessor: false,
      processorFamilies: [
        { family: 'Tern', minimumFirmware: '1.5' },
        { family: 'Knot' },
        { family: 'Gull', minimumFirmware: '0.9' },
      ],
    });
    expect(plan.route).toBe('with-processor');
    expect(plan.startsWith).toEqual(['Knot', 'Gull']);
    expect(routeWords(plan)).toContain('(Knot and Gull)');
    expect(plan.wayBack).toBe('none');
    expect(wayBackWords(plan)).toContain('no way back on the bench');
  });
  test('a second chip is the way back, whatever the route', () => {
    expect(planOf({ secondFirmwareChip: true, flashWithoutProcessor: false }).wayBack).toBe('second-chip');
  });
  test('what is not stated stays unknown', () => {
    expect(planOf({ shippedFirmware: undefined }).route).toBe('unknown');
    expect(planOf({ shippedFirmware: '1.0', flashWithoutProcessor: undefined }).route).toBe('unknown');
    expect(planOf({ flashWithoutProcessor: undefined }).wayBack).toBe('unknown');
  });
});

test('a beta or a known fault is told with the finding', () => {
  const change = { parts: { board: { shippedFirmware: '1.0', firmwareVersions: [beta('1.6')] } } };
  expect(assessed(change).findings.find((finding) => finding.code === 'firmware')).toMatchObject({
    level: 'caution',
    takes: '1.6',
    channel: 'beta',
  });
});
