import { FLOORS } from './src/core/floors.mjs';

/** Imports point one way: app → ui, server, workers; ui → core, workers; server → store → core; cli, demo → server, core. */
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  comment: `${from} may only import from ${allowed.join(', ')}`,
  // tests may look further: they set up whole worlds
  from: { path: `^src/${from}/`, pathNot: '(\\.test\\.ts$|/tests/)' },
  to: { path: '^src/', pathNot: `^src/(${[from, ...allowed].join('|')})/` },
});

/** A floor of the core looks at itself and what lies below, never up; an import of a type is an import. */
const floors = FLOORS.map(({ folders }, i) => ({
  name: `floor-${i + 1}-${folders.join('-')}`,
  severity: 'error',
  comment: `floor ${i + 1} of the core (${folders.join(', ')}) may only import from itself and the floors below`,
  from: { path: `^src/core/(${folders.join('|')})/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: '^src/core/',
    pathNot: `^src/core/(${FLOORS.slice(0, i + 1)
      .flatMap((floor) => floor.folders)
      .join('|')})/`,
  },
}));

export default {
  forbidden: [
    only('core-stands-alone', 'core', []),
    ...floors,
    {
      name: 'core-has-floors',
      severity: 'error',
      comment: 'each folder of the core stands on a floor: add it to src/core/floors.mjs',
      from: {
        path: '^src/core/',
        pathNot: `^src/core/(${['tests', ...FLOORS.flatMap((floor) => floor.folders)].join('|')})/|floors\\.`,
      },
      to: {},
    },
    {
      name: 'core-libraries',
      severity: 'error',
      comment: 'core imports only zod',
      from: { path: '^src/core/', pathNot: '(\\.test\\.ts$|^src/core/tests/)' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: '^node_modules/zod/' },
    },
    only('store', 'store', ['core']),
    only('server', 'server', ['store', 'core']),
    only('ui', 'ui', ['core', 'workers', 'server']),
    only('workers', 'workers', ['core']),
    only('cli', 'cli', ['server', 'core']),
    only('demo', 'demo', ['server', 'core', 'standins']),
    only('standins', 'standins', ['core']),
    {
      name: 'ui-server-contract-only',
      severity: 'error',
      comment: 'ui may call server actions and use their contract, nothing else of the server',
      from: { path: '^src/ui/' },
      to: { path: '^src/server/', pathNot: '^src/server/(actions|contract)\\.ts$' },
    },
    { name: 'no-cycles', severity: 'error', comment: 'types included', from: {}, to: { circular: true } },
    { name: 'd3-in-ui-only', severity: 'error', from: { pathNot: '^src/ui/' }, to: { path: '^node_modules/d3-' } },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.css$' },
  },
};
