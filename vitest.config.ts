import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';
import { COMPILED_LATER } from './bin/flags.mjs';

/** What takes longest, the longest first: begun last, one of them alone would be waited for. */
const LONG = [
  'core/search/exact/search',
  'cli/vane',
  'core/tests/lessKnown',
  'demo/search',
  'core/search/exact/partCase',
  'workers/teamCrew',
  'core/tests/betterFigures',
  'core/search/exact/probes',
  'core/tests/mutants',
];

class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const long = LONG.flatMap((name) => files.find(({ moduleId }) => moduleId.endsWith(`src/${name}.test.ts`)) ?? []);
    const others = await super.sort(files.filter((file) => !long.includes(file)));
    return [...long, ...others];
  }
}

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
    sequence: { sequencer: LongestFirst },
    setupFiles: ['src/core/tests/setup.ts'],
  },
});
