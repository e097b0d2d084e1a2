import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import { INTERFACE } from './lint/interface.mjs';
import wholeMoney from './lint/wholeMoney.mjs';

export default tseslint.config(
  {
    ignores: [
      '.next/',
      'node_modules/',
      '.data/',
      '.cache/',
      'next-env.d.ts',
      'docs/',
      'test-results/',
      'playwright-report/',
    ],
  },
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: 'error',
    },
  },
  {
    // with types: what is started and not waited for, and conditions that are promises
    files: ['src/**/*.ts', 'src/**/*.tsx', 'e2e/**/*.ts', 'bench/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/await-thenable': 'error',
    },
  },
  {
    // an expression over text from outside takes time in proportion to it: what backtracks in two places can stand still
    files: ['src/**/*.ts', 'src/**/*.tsx', 'src/**/*.mjs', 'scripts/**/*.mjs', 'bin/**/*.mjs'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential', ignorePartial: false }],
      'regexp/no-dupe-disjunctions': 'error',
      'regexp/no-misleading-capturing-group': 'error',
    },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'error', '@typescript-eslint/no-explicit-any': 'error' },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    // the one place where money is rounded, and the made-up prices of the demo world
    ignores: ['src/core/units/money.ts', 'src/demo/**', 'src/standins/**', '**/*.test.ts', 'src/core/tests/**'],
    plugins: { vane: { rules: { 'whole-money': wholeMoney } } },
    rules: { 'vane/whole-money': 'error' },
  },
  {
    // one source of colours, one kind of control
    files: ['src/ui/**/*.ts', 'src/ui/**/*.tsx', 'src/app/**/*.tsx'],
    ignores: ['src/ui/theme.ts'],
    rules: { 'no-restricted-syntax': ['error', ...INTERFACE] },
  },
  { files: ['**/*.test.ts', 'e2e/**', 'bench/**'], rules: { '@typescript-eslint/no-non-null-assertion': 'off' } },
  {
    files: ['src/ui/**/*.tsx', 'src/app/**/*.tsx', 'src/ui/**/*.ts'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
