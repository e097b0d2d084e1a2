// npm run bench [name …]: ratios measured in one run; all of them, or those that are named; see bench/README.md.
import { existsSync } from 'node:fs';
import { build, ENV, installBrowser, installPackages, makeDemo, rootPath, run, stop } from './prepare.mjs';

/** With what each is run; what looks at pages needs a build and the demo database. */
const BENCHES = [
  { name: 'assess' },
  { name: 'placement' },
  { name: 'ranking' },
  { name: 'search' },
  { name: 'import', args: ['100000', '0'] },
  { name: 'basket' },
  { name: 'prices' },
  { name: 'steps' },
  { name: 'walks' },
  { name: 'memory', node: ['--expose-gc'] },
  { name: 'start' },
  { name: 'remedies', page: true },
  { name: 'atOnce', page: true },
  { name: 'ahead', page: true },
  { name: 'paint', page: true },
  { name: 'whatIfs', page: true },
];
const asked = process.argv.slice(2);
const unknown = asked.find((name) => !BENCHES.some((bench) => bench.name === name));
if (unknown !== undefined)
  stop(`There is no bench "${unknown}"; there are ${BENCHES.map(({ name }) => name).join(', ')}.`);
const chosen = BENCHES.filter(({ name }) => asked.length === 0 || asked.includes(name));

await installPackages();
const database = rootPath('.cache', 'bench', 'demo.db');
if (chosen.some(({ page }) => page)) {
  installBrowser();
  build();
  if (!existsSync(database)) makeDemo(database, rootPath('.cache', 'bench', 'catalogue.json'));
}
for (const { name, args = [], node = [] } of chosen) {
  // bundled, as what is measured is bundled where it runs: compiled as it loads, each function is made with its name anew
  const bundle = rootPath('.cache', 'bench', `${name}.mjs`);
  run(`bundle of ${name}`, rootPath('node_modules', '.bin', 'esbuild'), [
    rootPath('bench', `${name}.ts`),
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--packages=external',
    '--log-level=error',
    `--outfile=${bundle}`,
  ]);
  run(`bench: ${name}`, process.execPath, [...node, bundle, ...args], { env: { ...ENV, VANE_DB: database } });
}
