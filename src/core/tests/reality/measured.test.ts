import { describe, expect, test } from 'vitest';
import { RECIPES } from './recipes';
import { explained } from '../../formats/reasons';
import { allRows } from './rows';

const rows = allRows();
const calibrating = rows.filter(({ set }) => set === 'calibrate');
const mean = (values: readonly number[]): number =>
  Math.exp(values.reduce((all, value) => all + Math.log(value), 0) / values.length);

const cases = RECIPES.flatMap(([trade, register, recipes]) =>
  Object.entries(register)
    .filter(([, { source }]) => source === 'measured')
    .map(([name, { id }]) => {
      const constant = explained(id);
      const from = constant.rows?.includes('*')
        ? calibrating
        : (constant.rows ?? []).flatMap((id) => calibrating.find((row) => row.id === id) ?? []);
      return { name: `${trade}: ${name}`, constant, from, values: recipes[name]?.(from) ?? [] };
    }),
);

describe('measured constants', () => {
  test.each(cases)('$name follows from its rows', ({ constant, from, values }) => {
    // every row that is named is there, and none of those that are kept to check with
    if (!constant.rows?.includes('*')) expect(from.map(({ id }) => id)).toEqual(constant.rows);
    expect(values.length).toBeGreaterThan(0);
    const value = mean(values);
    expect(Math.abs(constant.value / value - 1), `${constant.value} against ${value}`).toBeLessThan(0.015);
    // the spread holds each of them
    const widest = Math.max(...values.map((each) => Math.max(each / value, value / each)));
    expect(constant.spread, `holds ${widest}`).toBeGreaterThanOrEqual(Math.min(widest, 9) * 0.99);
  });

  test('at least sixty, each from rows of its own', () => {
    expect(cases.length).toBeGreaterThanOrEqual(60);
    expect(new Set(cases.map(({ name }) => name)).size).toBe(cases.length);
    expect(RECIPES.flatMap(([, , recipes]) => Object.keys(recipes))).toHaveLength(cases.length);
  });
});
