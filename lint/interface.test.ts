import { Linter } from 'eslint';
import tseslint from 'typescript-eslint';
import { expect, test } from 'vitest';
import { INTERFACE } from './interface.mjs';

const linter = new Linter();
const wrongs = (code: string): string[] =>
  linter
    .verify(
      code,
      [
        {
          files: ['**/*.tsx'],
          languageOptions: { parser: tseslint.parser as never, parserOptions: { ecmaFeatures: { jsx: true } } },
          rules: { 'no-restricted-syntax': ['error', ...INTERFACE] },
        },
      ],
      'x.tsx',
    )
    .map(({ message }) => message.split(';')[0] ?? '');

test.each([
  ["const a = '#2c6e63';", 'colours stand in theme.ts'],
  ['const a = <p style={{ color: "rgb(1 2 3)" }} />;', 'colours stand in theme.ts'],
  ['const a = `1px solid #fff`;', 'colours stand in theme.ts'],
  [
    'const a = <button type="button">x</button>;',
    'controls are components of the theme, or the shared pieces on top of them',
  ],
  ['const a = <table />;', 'controls are components of the theme, or the shared pieces on top of them'],
  ['const a = <input name="x" />;', 'fields are components of the theme'],
])('%s is refused', (code, message) => {
  expect(wrongs(code)).toEqual([message]);
});

test.each([
  "const a = 'var(--carries)';",
  'const a = <input type="file" />;',
  "const a = 'row #4 of 12, see #parts';",
  'const a = <Button>x</Button>;',
  'const a = <p>#1 of the list</p>;',
])('%s is fine', (code) => {
  expect(wrongs(code)).toEqual([]);
});
