/** Imports point one way: app → ui, server, workers; ui → core, workers; server → store → core; cli, demo → server, core. */
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  comment: `${from} may only import from ${allowed.join(', ')}`,
  // tests may look further: they set up whole worlds
  from: { path: `^src/${from}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^src/', pathNot: `^src/(${[from, ...allowed].join('|')})/` },
});

export default {
  forbidden: [
    only('core-stands-alone', 'core', []),
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
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    { name: 'd3-in-ui-only', severity: 'error', from: { pathNot: '^src/ui/' }, to: { path: '^node_modules/d3-' } },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.css$' },
  },
};
