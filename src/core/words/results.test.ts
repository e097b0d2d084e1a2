import { describe, expect, test } from 'vitest';
import { getsText, needText, runsWhere, type Told } from './results';

const band = { low: 90, likely: 100, high: 130 };
const result = (change: Partial<Told> = {}): Told => ({
  mode: 'real-time',
  unit: 'frame',
  target: 50,
  gets: band,
  atMost: undefined,
  verdict: 'carries',
  impossible: [],
  ...change,
});
const impossible = result({ gets: undefined, impossible: [{ code: 'no-graphics' }], verdict: 'short' });
const noTime = result({ gets: undefined, verdict: 'short' });
const unknown = result({ gets: undefined, verdict: 'unproven' });
const bounded = result({ gets: undefined, verdict: 'unproven', atMost: 190 });

describe('what a task gets, in words', () => {
  test.each([
    [result(), '90 – 130 fps', 'need 50 fps'],
    [result({ gets: { low: 60, likely: 60, high: 60 } }), '60 fps', 'need 50 fps'],
    [result({ unit: 'token' }), '90 – 130 tokens/s', 'need 50 tokens/s'],
    [result({ unit: 'second', target: 2 }), '45 – 65 × enough', 'must keep up'],
    [result({ unit: 'buffer', target: 100 }), '0.9 – 1.3 × in time', 'need in time'],
    [result({ mode: 'elastic', target: 60 }), '1.5 – 2.2 min', 'need 60 s'],
    [result({ target: undefined }), '90 – 130 fps', 'no target'],
    [impossible, 'does not run', 'need 50 fps'],
    [noTime, 'gets no time to run', 'need 50 fps'],
    [unknown, 'unproven', 'need 50 fps'],
    [bounded, 'unproven, at most 190 fps', 'need 50 fps'],
    [result({ gets: undefined, verdict: 'short', atMost: 20 }), 'at most 20 fps', 'need 50 fps'],
  ])('%#: %o', (told, gets, needs) => {
    expect(getsText(told)).toBe(gets);
    expect(needText(told)).toBe(needs);
  });

  test.each([
    ['one that cannot run', result(), impossible, 'runs only here'],
    ['one without time left', result(), noTime, 'runs only here'],
    ['the other way round', impossible, result(), 'runs only there'],
    ['two that cannot run', impossible, noTime, 'runs on neither'],
    // what is not known on one side neither wins nor loses
    ['one that is not known', result(), unknown, 'unproven'],
    ['one that is known only from above', bounded, result(), 'unproven'],
    ['one that cannot run and one that is not known', impossible, unknown, 'unproven'],
  ])('where two have no ratio: %s', (_, ours, theirs, says) => {
    expect(runsWhere(ours, theirs)).toBe(says);
  });
});
