import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import { INTERFACE } from './lint/interface.mjs';
import { WAITING } from './lint/waiting.mjs';
import wholeMoney from './lint/wholeMoney.mjs';

/** With types: what is started and not waited for, and conditions that are promises. */
const AWAITED = {
  languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
  rules: {
    '@typescript-eslint/no-floating-promises': 'error',
    '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    '@typescript-eslint/await-thenable': 'error',
  },
};
/** Tests of the core that ask what answers later. */
const WAITING_TESTS = ['src/core/search/exact/peer.test.ts', 'src/core/tests/{floors,examples}.test.ts'];

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
  // nothing in the core waits for anything, so that nothing there can be forgotten to be waited for
  { files: ['src/**/*.ts', 'src/**/*.tsx', 'e2e/**/*.ts', 'bench/**/*.ts'], ignores: ['src/core/**'], ...AWAITED },
  { files: WAITING_TESTS, ...AWAITED },
  {
    files: ['src/core/**/*.ts'],
    ignores: WAITING_TESTS,
    rules: { 'no-restricted-syntax': ['error', ...WAITING] },
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
