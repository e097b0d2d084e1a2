// npm test: installs what is missing, then types, format, lint, dependency check, unused code, unit tests, build and
// browser tests.
import { rmSync } from 'node:fs';
import { bin, build, installBrowser, installPackages, rootPath, run } from './prepare.mjs';

installPackages();
installBrowser();
// Next writes its types beside the build; the check must not trip over those of an older one
rmSync(rootPath('.next', 'types'), { recursive: true, force: true });
run('types', process.execPath, [rootPath('node_modules', 'next', 'dist', 'bin', 'next'), 'typegen']);
run('types of all files', bin('tsc'), ['--noEmit']);
run('format', bin('prettier'), ['--check', '.']);
run('lint', bin('eslint'), ['.', '--max-warnings', '0']);
run('dependency check', bin('depcruise'), ['src', '--config', '.dependency-cruiser.mjs', '--output-type', 'err']);
run('unused files, exports and packages', bin('knip'), []);
run('unit and property tests', bin('vitest'), ['run']);
build();
run('browser tests', bin('playwright'), ['test']);
console.log('\nall tests passed');
