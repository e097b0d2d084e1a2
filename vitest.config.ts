import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/**/*.test.ts', 'lint/**/*.test.ts'],
    environment: 'node',
    // what many files import is read once: nothing in it remembers a test
    isolate: false,
    // all cores: nothing else runs beside the tests
    maxWorkers: '100%',
    // searches and trials make much that is soon forgotten: with more room for it less is looked through
    execArgv: ['--max-semi-space-size=64'],
    testTimeout: 180_000,
    setupFiles: ['src/core/tests/setup.ts'],
  },
});
