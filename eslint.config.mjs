import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';

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
    files: ['src/core/**/*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'error', '@typescript-eslint/no-explicit-any': 'error' },
  },
  { files: ['**/*.test.ts', 'e2e/**', 'bench/**'], rules: { '@typescript-eslint/no-non-null-assertion': 'off' } },
  {
    files: ['src/ui/**/*.tsx', 'src/app/**/*.tsx', 'src/ui/**/*.ts'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
