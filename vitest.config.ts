import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { COMPILED_LATER } from './bin/flags.mjs';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/**/*.test.ts', 'lint/**/*.test.ts'],
    environment: 'node',
    // what many files import is read once: nothing in it remembers a test
    isolate: false,
    // all cores: nothing else runs beside the tests
    maxWorkers: '100%',
    execArgv: [
      // searches and trials make much that is soon forgotten: with more room for it less is looked through
      '--min-semi-space-size=64',
      '--max-semi-space-size=64',
      // most code runs a short while in one test: it is compiled plainly at once, and well only where it stays hot
      '--always-sparkplug',
      ...COMPILED_LATER,
    ],
    testTimeout: 180_000,
    setupFiles: ['src/core/tests/setup.ts'],
  },
});
