// npm test: installs what is missing, then types, format, lint, dependency check, unused code, unit tests, build and
// browser tests.
import { rmSync } from 'node:fs';
import { COMPILED_LATER } from '../bin/flags.mjs';
import {
  bin,
  build,
  demoForTests,
  fetchPackages,
  installBrowser,
  installPaperReaders,
  rootPath,
  run,
  together,
} from './prepare.mjs';

const { toCompile, compiled } = fetchPackages();
installBrowser();
installPaperReaders();
// Next writes its types beside the build; the check must not trip over those of an older one
rmSync(rootPath('.next', 'types'), { recursive: true, force: true });
run('types', process.execPath, [rootPath('node_modules', 'next', 'dist', 'bin', 'next'), 'typegen']);
await together([
  // checks need no database
  ...toCompile,
  // in less than a third of the time of the one before it, which other tools still need as their library; several threads
  // would check the same libraries each for itself, half as much work again
  [
    'types of all files',
    process.execPath,
    [rootPath('node_modules', 'typescript-7', 'bin', 'tsc'), '--noEmit', '--singleThreaded'],
  ],
  ['lint', 'npm', ['run', '-s', 'lint']],
  ['format', process.execPath, [...COMPILED_LATER, bin('prettier'), '--check', '.']],
  ['dependency check', bin('depcruise'), ['src', '--config', '.dependency-cruiser.mjs', '--output-type', 'err']],
  ['unused files, exports and packages', process.execPath, [...COMPILED_LATER, bin('knip')]],
]);
compiled();
run('unit and property tests', bin('vitest'), ['run']);
const demo = demoForTests();
build();
await demo;
run('browser tests', bin('playwright'), ['test']);
console.log('\nall tests passed');
