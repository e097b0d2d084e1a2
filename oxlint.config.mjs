/** With types: what is started and not waited for, and conditions that are promises. */
const AWAITED = {
  'typescript/no-floating-promises': 'error',
  'typescript/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
  'typescript/await-thenable': 'error',
};
/** Tests of the core that ask what answers later. */
const WAITING_TESTS = ['src/core/search/exact/peer.test.ts', 'src/core/tests/{floors,examples}.test.ts'];

export default {
  plugins: ['typescript', 'react'],
  // what this project refuses beside what every project does stands in `lint/`
  jsPlugins: ['./lint/plugin.mjs', 'eslint-plugin-regexp'],
  categories: { correctness: 'off' },
  ignorePatterns: ['.next/', '.data/', '.cache/', 'next-env.d.ts', 'docs/', 'test-results/', 'playwright-report/'],
  rules: {
    eqeqeq: 'error',
    'no-unused-expressions': 'error',
    'no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    'no-var': 'error',
    'prefer-const': 'error',
    'prefer-rest-params': 'error',
    'prefer-spread': 'error',
    'typescript/ban-ts-comment': ['error', { minimumDescriptionLength: 10 }],
    'typescript/no-array-constructor': 'error',
    'typescript/no-duplicate-enum-values': 'error',
    'typescript/no-dynamic-delete': 'error',
    'typescript/no-empty-object-type': 'error',
    'typescript/no-explicit-any': 'error',
    'typescript/no-extra-non-null-assertion': 'error',
    'typescript/no-extraneous-class': 'error',
    'typescript/no-invalid-void-type': 'error',
    'typescript/no-misused-new': 'error',
    'typescript/no-namespace': 'error',
    'typescript/no-non-null-asserted-nullish-coalescing': 'error',
    'typescript/no-non-null-asserted-optional-chain': 'error',
    'typescript/no-non-null-assertion': 'error',
    'typescript/no-require-imports': 'error',
    'typescript/no-this-alias': 'error',
    'typescript/no-unnecessary-type-constraint': 'error',
    'typescript/no-unsafe-declaration-merging': 'error',
    'typescript/no-unsafe-function-type': 'error',
    'typescript/no-useless-constructor': 'error',
    'typescript/no-wrapper-object-types': 'error',
    'typescript/prefer-as-const': 'error',
    'typescript/prefer-literal-enum-member': 'error',
    'typescript/prefer-namespace-keyword': 'error',
    'typescript/triple-slash-reference': 'error',
    'typescript/unified-signatures': 'error',
  },
  overrides: [
    // nothing in the core waits for anything, so that nothing there can be forgotten to be waited for
    { files: ['src/core/**/*.ts'], excludeFiles: WAITING_TESTS, rules: { 'vane/waiting': 'error' } },
    {
      files: ['src/**/*.{ts,tsx}', 'e2e/**/*.ts', 'bench/**/*.ts'],
      excludeFiles: ['src/core/**'],
      rules: AWAITED,
    },
    { files: WAITING_TESTS, rules: AWAITED },
    {
      // an expression over text from outside takes time in proportion to it: what backtracks in two places can stand still
      files: ['src/**/*.{ts,tsx,mjs}', 'scripts/**/*.mjs', 'bin/**/*.mjs'],
      rules: {
        'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
        'regexp/no-super-linear-move': ['error', { report: 'potential', ignorePartial: false }],
        'regexp/no-dupe-disjunctions': 'error',
        'regexp/no-misleading-capturing-group': 'error',
      },
    },
    {
      files: ['src/**/*.{ts,tsx}'],
      // the one place where money is rounded, and the made-up prices of the demo world
      excludeFiles: ['src/core/units/money.ts', 'src/demo/**', 'src/standins/**', '**/*.test.ts', 'src/core/tests/**'],
      rules: { 'vane/whole-money': 'error' },
    },
    {
      // one source of colours, one kind of control
      files: ['src/ui/**/*.{ts,tsx}', 'src/app/**/*.tsx'],
      excludeFiles: ['src/ui/theme.ts'],
      rules: { 'vane/interface': 'error' },
    },
    {
      files: ['src/ui/**/*.{ts,tsx}', 'src/app/**/*.tsx'],
      rules: { 'react/rules-of-hooks': 'error', 'react/exhaustive-deps': 'error' },
    },
    {
      files: ['**/*.test.ts', 'e2e/**', 'bench/**'],
      rules: { 'typescript/no-non-null-assertion': 'off' },
    },
  ],
};
