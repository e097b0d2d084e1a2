import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createContext, runInContext } from 'node:vm';
import { describe, expect, test } from 'vitest';

/** Figures in docstrings are run: one that has gone stale is found here. */
const CORE = join(import.meta.dirname, '..');
const files = readdirSync(CORE, { recursive: true, encoding: 'utf8' }).filter(
  (name) => name.endsWith('.ts') && !name.includes('.test.') && !name.startsWith('tests'),
);

/** `call(…) // result`, where the result is a literal; anything else is told in words. */
const RUN =
  /@example (\w+\(.*) \/\/ (-?[\d_]+(?:\.\d+)?(?:e-?\d+)?|'[^']*'|"[^"]*"|\[.*?\]|\{.*?\}|undefined)(?=$|[:,;\s])/gmu;

const examples = files.flatMap((file) => {
  const text = readFileSync(join(CORE, file), 'utf8');
  return [...text.matchAll(RUN)].map(([, code = '', result = '']) => ({ file, code, result }));
});

/** Digits behind the point, or those of the mantissa: a figure holds to half of its last digit. */
function halfDigit(literal: string): number {
  const [mantissa = '', exponent = '0'] = literal.replaceAll('_', '').split('e');
  const digits = mantissa.split('.')[1]?.length ?? 0;
  return 0.5 * 10 ** (Number(exponent) - digits) * 1.0001;
}

describe('figures in docstrings', () => {
  test.each(examples)('$file: $code', async ({ file, code, result }) => {
    const module = (await import(join(CORE, file))) as Record<string, unknown>;
    const context = createContext({ ...module });
    const value: unknown = runInContext(`(${code})`, context);
    const stated: unknown = runInContext(`(${result})`, context);
    if (typeof stated === 'number') {
      expect(typeof value).toBe('number');
      expect(Math.abs((value as number) - stated)).toBeLessThanOrEqual(halfDigit(result));
    } else expect(JSON.stringify(value)).toBe(JSON.stringify(stated));
  });

  test('most of them are run', () => {
    const all = files.map((file) => readFileSync(join(CORE, file), 'utf8').match(/@example/g)?.length ?? 0);
    expect(examples.length).toBeGreaterThan(0.75 * all.reduce((sum, count) => sum + count, 0));
  });
});
