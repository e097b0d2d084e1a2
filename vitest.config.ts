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
    execArgv: [
      // searches and trials make much that is soon forgotten: with more room for it less is looked through
      '--min-semi-space-size=64',
      '--max-semi-space-size=64',
      // most code runs a short while in one test: compiled once and plainly, and well only where it stays hot for long.
      // Else compilers take as much of the processors as the tests
      '--always-sparkplug',
      '--interrupt-budget=1500000',
    ],
    testTimeout: 180_000,
    setupFiles: ['src/core/tests/setup.ts'],
  },
});
