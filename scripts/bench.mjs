// npm run bench: ratios measured in one run; see bench/README.md.
import { installPackages, rootPath, run } from './prepare.mjs';

installPackages();
run('bench: assess', process.execPath, ['--import', 'tsx', rootPath('bench', 'assess.ts')]);
run('bench: placement', process.execPath, ['--import', 'tsx', rootPath('bench', 'placement.ts')]);
run('bench: ranking', process.execPath, ['--import', 'tsx', rootPath('bench', 'ranking.ts')]);
run('bench: search', process.execPath, ['--import', 'tsx', rootPath('bench', 'search.ts')]);
run('bench: import', process.execPath, ['--import', 'tsx', rootPath('bench', 'import.ts'), '100000', '0']);
run('bench: basket', process.execPath, ['--import', 'tsx', rootPath('bench', 'basket.ts')]);
run('bench: prices', process.execPath, ['--import', 'tsx', rootPath('bench', 'prices.ts')]);
run('bench: steps', process.execPath, ['--import', 'tsx', rootPath('bench', 'steps.ts')]);
run('bench: walks', process.execPath, ['--import', 'tsx', rootPath('bench', 'walks.ts')]);
run('bench: memory', process.execPath, ['--expose-gc', '--import', 'tsx', rootPath('bench', 'memory.ts')]);
run('bench: start', process.execPath, ['--import', 'tsx', rootPath('bench', 'start.ts')]);
run('bench: remedies', process.execPath, ['--import', 'tsx', rootPath('bench', 'remedies.ts')]);
run('bench: paint', process.execPath, ['--import', 'tsx', rootPath('bench', 'paint.ts')]);
run('bench: what-ifs', process.execPath, ['--import', 'tsx', rootPath('bench', 'whatIfs.ts')]);
