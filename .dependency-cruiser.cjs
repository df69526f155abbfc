/** Who may know whom: docs/architecture.md. */
const concepts = [
  'csv|watch|masking|alerts|addresses|remote|phones|probes|promises|money|pages|sites|happened|estate|journeys|traces|flows|normal|incidents|handoffs|formats|telemetry',
  'logs|hosts|changes|metrics|statements',
].join('|');

/** Rooms of the server, and whom each may know besides core and the files at the top of server/src. */
const rooms = {
  access: 'store|contract',
  contract: '',
  names: '',
  threads: '',
  settings: '',
  store: 'threads|names|settings',
  intake: 'store|threads|names',
  search: 'store|threads|names|contract',
  outbound: 'store|contract',
  maintenance: 'store|intake|engine|search|contract',
  api: 'access|contract|engine|intake|maintenance|names|outbound|search|settings|store|threads',
  'engine/state': 'contract|names|settings|store|threads',
  'engine/reading': 'engine/state|contract|store|names',
  'engine/harm': 'engine/state|engine/reading|engine/promises|contract|store',
  'engine/evaluation': 'engine/state|engine/reading|store',
  'engine/incidents': 'engine/state|engine/reading|engine/harm|engine/probes|contract|store|settings',
  'engine/flows': 'engine/state|engine/reading|engine/harm|contract|store|settings',
  'engine/attempts': 'engine/state|engine/reading|engine/harm|contract|store',
  'engine/journeys': 'engine/state|engine/reading|engine/harm|contract|store|settings',
  'engine/promises': 'engine/state|engine/reading|contract|store|settings',
  'engine/sites': 'engine/state|engine/reading|contract|store|settings',
  'engine/probes': 'engine/state|engine/reading|contract|store|settings',
  'engine/settings': 'engine/state|engine/incidents|engine/promises|engine/reading|contract|settings|store',
  'engine/infrastructure': 'engine/state|engine/reading|engine/harm|contract|store|names',
};

/** Tests start a whole server; files at the top of server/src put the rooms together, but for what every room may use. */
const roomRules = Object.entries(rooms).map(([room, known]) => ({
  name: `room-${room.replace('/', '-')}`,
  severity: 'error',
  from: { path: `^server/src/${room}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: '^server/src/',
    pathNot: [
      `^server/src/${room}/`,
      '^server/src/(errors|problems|input-words|by-name|config|project-root)\\.ts$',
      ...(known === '' ? [] : [`^server/src/(${known})/`]),
    ],
  },
}));

module.exports = {
  forbidden: [
    {
      name: 'core-knows-nobody',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      // luxon: calendars in named time zones; ical.js: calendars as iCalendar; ipaddr.js: IANA's registries of addresses.
      to: { pathNot: ['^core/src', '(^|/)node_modules/((@types/)?luxon|ical\\.js|ipaddr\\.js)/'] },
    },
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
      to: {
        path: '^core/src/([^/]+)/',
        pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$', '^core/src/fixtures/'],
      },
    },
    {
      name: 'what-runs-with-others-knows-nobody',
      severity: 'error',
      from: { path: '^(snippet|phone)/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(core|server|app|scenario|bench|e2e)/' },
    },
    {
      name: 'what-asks-the-server-knows-core-alone',
      severity: 'error',
      from: { path: '^(probes|watch)/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(server|app|scenario|bench|e2e)/' },
    },
    { name: 'app-and-server-apart', severity: 'error', from: { path: '^app/' }, to: { path: '^server/' } },
    { name: 'server-and-app-apart', severity: 'error', from: { path: '^server/' }, to: { path: '^app/' } },
    {
      name: 'server-without-scenario',
      severity: 'error',
      from: { path: '^server/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(scenario|bench|e2e)/' },
    },
    {
      name: 'scenario-knows-the-public-way-only',
      severity: 'error',
      from: { path: '^scenario/' },
      to: { path: '^(server|app)/' },
    },
    {
      name: 'e2e-knows-the-public-way-only',
      severity: 'error',
      // One file mutates telemetry towards code that was not reached yet: it has to be in one process with it. The types
      // of the API are made from its description, as any client would make them.
      from: { path: '^e2e/', pathNot: '^e2e/torture/guided\\.ts$' },
      to: { path: '^(server|app)/', pathNot: '^app/src/data/api-types\\.ts$' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    ...roomRules,
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
