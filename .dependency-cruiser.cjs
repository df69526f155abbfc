/** Who may know whom: docs/architecture.md. */
const concepts = 'csv|money|pages|estate|journeys|traces|flows|normal|incidents|handoffs|formats|telemetry|logs|hosts|changes|metrics|statements';

module.exports = {
  forbidden: [
    { name: 'core-knows-nobody', severity: 'error', from: { path: '^core/src', pathNot: '\\.test\\.ts$' }, to: { pathNot: '^core/src' } },
    {
      name: 'stats-and-time-at-the-bottom',
      severity: 'error',
      from: { path: '^core/src/(stats|time)/', pathNot: '\\.test\\.ts$' },
      to: { path: `^core/src/(${concepts})/` },
    },
    {
      name: 'concepts-through-their-index',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/([^/]+)/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$', '^core/src/fixtures/'] },
    },
    { name: 'app-and-server-apart', severity: 'error', from: { path: '^app/' }, to: { path: '^server/' } },
    { name: 'server-and-app-apart', severity: 'error', from: { path: '^server/' }, to: { path: '^app/' } },
    { name: 'server-without-scenario', severity: 'error', from: { path: '^server/src', pathNot: '\\.test\\.ts$' }, to: { path: '^(scenario|bench|e2e)/' } },
    { name: 'scenario-knows-the-public-way-only', severity: 'error', from: { path: '^scenario/' }, to: { path: '^(server|app)/' } },
    { name: 'e2e-knows-the-public-way-only', severity: 'error', from: { path: '^e2e/' }, to: { path: '^(server|app)/' } },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.expo)/|\\.tmp\\.' },
    tsConfig: { fileName: 'tsconfig.depcruise.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
    },
  },
};
