/**
 * The core in storeys, each building only on those before it; inside a storey its rooms likewise. A storey without
 * rooms is one.
 */
const STOREYS = [
  ['model'],
  ['units'],
  ['numeric'],
  ['scalp/head', 'scalp/mannequin'],
  ['hair/colour', 'hair/fibre', 'hair/hairRecord'],
  ['placement/layout', 'placement/foils', 'placement/quantity'],
  ['product/formula', 'product/bowls', 'product/money'],
  ['time/lightening', 'time/fold', 'time/schedule', 'time/run'],
  ['record/learning', 'record/upkeep', 'record/visit'],
  [
    'appearance/strands',
    'appearance/paint',
    'appearance/picture',
    'appearance/figures',
    'appearance/look',
    'appearance/coarse',
  ],
  ['judgement/care', 'judgement/look', 'judgement/feasibility', 'judgement/advice'],
  ['plan/sheets', 'plan/planner', 'plan/serviceKinds'],
]
const ROOMS = STOREYS.flat()
const room = (names) => `^src/core/(${names.join('|') || 'nothing'})/`

const coreRules = ROOMS.map((name, i) => ({
  name: `core-${name.replace('/', '-')}-builds-only-on-what-comes-before`,
  severity: 'error',
  from: { path: room([name]), pathNot: '\\.test\\.ts$' },
  to: { path: room(ROOMS.slice(i + 1)) },
}))

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    ...coreRules,
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^src/core/' },
      to: { path: '^src/(app|ui|dto|workers|server|db|words|demo)/' },
    },
    {
      name: 'core-has-no-framework',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: 'node_modules', pathNot: 'node_modules/(culori|delaunator|robust-predicates|@types)/' },
    },
    {
      name: 'core-does-no-io',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'entries-know-the-core-only',
      severity: 'error',
      from: { path: '^src/dto/' },
      to: { path: '^src/(app|ui|workers|server|db)/' },
    },
    {
      name: 'demo-knows-the-core-only',
      severity: 'error',
      from: { path: '^src/demo/' },
      to: { path: '^src/(app|ui|workers|server|db|dto|words)/' },
    },
    {
      name: 'words-know-the-core-only',
      severity: 'error',
      from: { path: '^src/words/' },
      to: { path: '^src/(app|ui|workers|server|db|dto)/' },
    },
    {
      name: 'workers-wrap-core',
      severity: 'error',
      from: { path: '^src/workers/' },
      to: { path: '^src/(app|ui|server|db)/' },
    },
    {
      name: 'ui-knows-no-server',
      severity: 'error',
      from: { path: '^src/ui/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(app|server|db)/' },
    },
    {
      name: 'db-knows-core-models-only',
      severity: 'error',
      from: { path: '^src/db/' },
      to: { path: '^src/(app|ui|workers|server)/' },
    },
    {
      name: 'server-knows-no-ui',
      severity: 'error',
      from: { path: '^src/server/' },
      to: { path: '^src/(app|ui|workers)/' },
    },
    {
      name: 'every-room-is-on-the-plan',
      comment: 'A new folder of the core is put into its storey above.',
      severity: 'error',
      from: {},
      to: { path: '^src/core/', pathNot: room(ROOMS) },
    },
    {
      name: 'through-the-door-of-a-room',
      comment:
        'A room of the core is entered by its index only; but constants are held against their sources themselves.',
      severity: 'error',
      from: {
        path: `${room(ROOMS)}|^src/(app|ui|workers|db|server)/|^scripts/|^tests/`,
        pathNot: '^tests/reference/published',
      },
      to: { path: '^src/core/', pathNot: [`${room(ROOMS)}index\\.ts$`, '^src/core/$1/'] },
    },
    {
      name: 'through-the-door-of-a-service',
      comment: 'A folder of the server is entered by its index only.',
      severity: 'error',
      from: { path: '^src/server/([^/]+)/|^src/app/|^scripts/|^tests/' },
      to: {
        path: '^src/server/([^/]+)/',
        // What stands before every page loads as little as it can.
        pathNot: ['^src/server/[^/]+/index\\.ts$', '^src/server/$1/', '^src/server/auth/hosts\\.ts$'],
      },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
