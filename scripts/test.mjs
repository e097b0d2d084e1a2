// npm test: installs what is missing, then types, format, lint, dependency check, unused code, unit tests, build and
// browser tests.
import { rmSync } from 'node:fs';
import { bin, build, fetchPackages, installBrowser, installPaperReaders, rootPath, run, together } from './prepare.mjs';

const { toCompile, compiled } = fetchPackages();
installBrowser();
installPaperReaders();
// Next writes its types beside the build; the check must not trip over those of an older one
rmSync(rootPath('.next', 'types'), { recursive: true, force: true });
run('types', process.execPath, [rootPath('node_modules', 'next', 'dist', 'bin', 'next'), 'typegen']);
await together([
  // one process for a minute: checks need no database
  ...toCompile,
  // in less than a third of the time of the one before it, which other tools still need as their library
  ['types of all files', process.execPath, [rootPath('node_modules', 'typescript-7', 'bin', 'tsc'), '--noEmit']],
  ['lint', 'npm', ['run', '-s', 'lint']],
  ['format', bin('prettier'), ['--check', '.']],
  ['dependency check', bin('depcruise'), ['src', '--config', '.dependency-cruiser.mjs', '--output-type', 'err']],
  ['unused files, exports and packages', bin('knip'), []],
]);
compiled();
run('unit and property tests', bin('vitest'), ['run']);
build();
run('browser tests', bin('playwright'), ['test']);
console.log('\nall tests passed');
