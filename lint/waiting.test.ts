import { ESLint, Linter } from 'eslint';
import tseslint from 'typescript-eslint';
import { expect, test } from 'vitest';
import { WAITING } from './waiting.mjs';

const linter = new Linter();
const wrongs = (code: string): number =>
  linter.verify(
    code,
    [
      {
        files: ['**/*.ts'],
        languageOptions: { parser: tseslint.parser as never },
        rules: { 'no-restricted-syntax': ['error', ...WAITING] },
      },
    ],
    'x.ts',
  ).length;

test.each([
  'async function a() {}',
  'const a = async () => 1;',
  'const a = { async b() {} };',
  'const a = await b;',
  "const a = import('./b');",
  'const a = Promise.all([]);',
  'declare const a: () => Promise<number>;',
])('%s is refused', (code) => expect(wrongs(code)).toBe(1));

test.each([
  'function* a() { yield 1; }',
  "import { a } from './b';",
  "import type { A } from './b';",
  'const promised = 1;',
])('%s is fine', (code) => expect(wrongs(code)).toBe(0));

test('what nobody is asked about with types cannot wait: each file is held to one of the two', async () => {
  const eslint = new ESLint();
  const asked = async (file: string) => {
    const { rules = {} } = (await eslint.calculateConfigForFile(file)) as { readonly rules?: object };
    return ['@typescript-eslint/no-floating-promises', 'no-restricted-syntax'].filter((rule) => rule in rules);
  };
  expect(await asked('src/core/heat/air.ts')).toEqual(['no-restricted-syntax']);
  expect(await asked('src/core/heat/heat.test.ts')).toEqual(['no-restricted-syntax']);
  expect(await asked('src/core/tests/floors.test.ts')).toEqual(['@typescript-eslint/no-floating-promises']);
  for (const file of ['src/server/service.ts', 'src/workers/teamCrew.ts', 'e2e/test.ts', 'bench/tell.ts'])
    expect(await asked(file)).toContain('@typescript-eslint/no-floating-promises');
});
