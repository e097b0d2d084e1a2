import { describe, expect, test } from 'vitest';
import { wrongsOf, type Wrong } from './asked';

const CONTROLS = 'controls are components of the theme, or the shared pieces on top of them';
const WAITS = 'Nothing in the core waits: it computes, step by step where it takes long, and whoever calls it waits.';
const ARITHMETIC = /is money in whole minor units: .+ makes a fraction of it/;
const FRACTION = /is money in whole minor units and cannot be/;
const COLOURS = /^colours stand in theme\.ts/;

/** `[code, what is said of it]`, by where the code stands; what is said is nothing where it is fine. */
type Cases = readonly (readonly [code: string, says?: string | RegExp])[];

const INTERFACE: Cases = [
  ["export const a = '#2c6e63';", COLOURS],
  ['export const a = <p style={{ color: "rgb(1 2 3)" }} />;', COLOURS],
  ['export const a = `1px solid #fff`;', COLOURS],
  ['export const a = <button type="button">x</button>;', CONTROLS],
  ['export const a = <table />;', CONTROLS],
  ['export const a = <input name="x" />;', /^fields are components of the theme/],
  [
    "export { default } from 'next/navigation';\nimport Link from 'next/link';\nexport const a = Link;",
    /^links to pages/,
  ],
  ["export const a = 'var(--carries)';"],
  ['export const a = <input type="file" />;'],
  ["export const a = 'row #4 of 12, see #parts';"],
  ['export const a = <Button>x</Button>;'],
  ['export const a = <p>#1 of the list</p>;'],
];

const CORE: Cases = [
  ['export async function a() {}', WAITS],
  ['export const a = async () => 1;', WAITS],
  ['export const a = { async b() {} };', WAITS],
  ['export const a = await b;', WAITS],
  ["export const a = import('./b');", WAITS],
  ['export const a = Promise.all([]);', WAITS],
  ['declare const b: () => Promise<number>;\nexport const a = b;', WAITS],
  ['export function* a() { yield 1; }'],
  ["export { a } from './b';"],
  ["export type { A } from './b';"],
  ['export const promised = 1;'],
];

const MONEY: Cases = [
  ['export const x = a.priceMinor * 1.075;', ARITHMETIC],
  ['export const x = priceMinor / 100;', ARITHMETIC],
  ['export const x = 2 * (offer?.priceMinor ?? 0);', ARITHMETIC],
  ['export const x = total.landedMinor % 7;', ARITHMETIC],
  ['x.taxMinor *= 2;', ARITHMETIC],
  ['export const priceMinor = 0.5;', FRACTION],
  ['export const x = { shippingMinor: 4.9 };', FRACTION],
  ['y.taxMinor = 1.25;', FRACTION],
  ['export const x = a.priceMinor + b.priceMinor;'],
  ['export const x = a.priceMinor < 100;'],
  ['export const x = minority * 2;'],
  ['export const x = { priceMinor: 490 };'],
  ['export const x = rate * hours;'],
];

/** What is started and not waited for. */
const FORGOTTEN = 'declare const later: () => Promise<number>;\nlater();\nexport {};';
/** Takes time out of proportion in two ways, and its group ends nothing. */
const SLOW = 'export const said = (text: string) => /(a+)+b/.test(text);';
const SLOW_RULES = ['no-super-linear-backtracking', 'no-super-linear-move', 'no-misleading-capturing-group'].map(
  (rule) => `regexp(${rule})`,
);
const COND =
  "import { useState } from 'react';\nexport const useA = (on: boolean) => (on ? useState(1)[0] : 2);\nexport {};";

const placed = (cases: Cases, folder: string, ending: string) =>
  cases.map(([code, says], at) => ({ file: `${folder}/case${at}.${ending}`, code, says }));
const CASES = [
  ...placed(INTERFACE, 'src/ui', 'tsx'),
  ...placed(CORE, 'src/core/heat', 'ts'),
  ...placed(MONEY, 'src/server', 'ts'),
];
const WHERE: Readonly<Record<string, string>> = {
  'src/core/heat/forgotten.ts': FORGOTTEN,
  'src/core/heat/heat.test.ts': FORGOTTEN,
  'src/core/tests/floors.test.ts': FORGOTTEN,
  'src/server/forgotten.ts': FORGOTTEN,
  'src/workers/forgotten.ts': FORGOTTEN,
  'e2e/forgotten.ts': FORGOTTEN,
  'bench/forgotten.ts': FORGOTTEN,
  'src/server/slow.ts': SLOW,
  'scripts/slow.mjs': SLOW.replace(': string', ''),
  'src/ui/theme.ts': "export const a = '#2c6e63';",
  'src/core/units/money.ts': 'export const half = (priceMinor: number) => priceMinor / 2;',
  'src/core/heat/half.ts': 'export const half = (priceMinor: number) => priceMinor / 2;',
  'src/demo/prices.ts': 'export const priceMinor = 100 * 1.5 * otherMinor;',
  'src/ui/useA.ts': COND,
  'src/server/sure.ts': 'export const a = (b?: number) => b!;',
  'src/server/sure.test.ts': 'export const a = (b?: number) => b!;',
  'src/server/equal.ts': 'export const a = (b: unknown) => b == 1;',
};

const wrongs = wrongsOf({ ...WHERE, ...Object.fromEntries(CASES.map(({ file, code }) => [file, code])) });
const of = (file: string): readonly Wrong[] => wrongs.filter((wrong) => wrong.file === file);

describe('what the project refuses beside what every project does', () => {
  test.each(CASES)('$code', ({ file, says }) => {
    const said = of(file).filter(({ rule }) => rule.startsWith('vane('));
    expect(said.map(({ message }) => message)).toEqual(
      says === undefined ? [] : [typeof says === 'string' ? says : expect.stringMatching(says)],
    );
  });
});

describe('where a rule holds', () => {
  test.each([
    // each file is held to one of the two: what nobody is asked about with types cannot wait
    ['src/core/heat/forgotten.ts', ['vane(waiting)']],
    ['src/core/heat/heat.test.ts', ['vane(waiting)']],
    ['src/core/tests/floors.test.ts', ['typescript(no-floating-promises)']],
    ['src/server/forgotten.ts', ['typescript(no-floating-promises)']],
    ['src/workers/forgotten.ts', ['typescript(no-floating-promises)']],
    ['e2e/forgotten.ts', ['typescript(no-floating-promises)']],
    ['bench/forgotten.ts', ['typescript(no-floating-promises)']],
    ['src/server/slow.ts', SLOW_RULES],
    ['scripts/slow.mjs', SLOW_RULES],
    ['src/ui/theme.ts', []],
    ['src/core/units/money.ts', []],
    ['src/core/heat/half.ts', ['vane(whole-money)']],
    ['src/demo/prices.ts', []],
    ['src/ui/useA.ts', ['react-hooks(rules-of-hooks)']],
    ['src/server/sure.ts', ['typescript(no-non-null-assertion)']],
    ['src/server/sure.test.ts', []],
    ['src/server/equal.ts', ['eslint(eqeqeq)']],
  ])('%s', (file, rules) => {
    expect([...new Set(of(file).map(({ rule }) => rule))]).toEqual(rules);
  });
});
