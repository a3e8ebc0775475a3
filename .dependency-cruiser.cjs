/** Folders of the core in the order in which they may build on each other. */
const CORE = [
  'units',
  'model',
  'colour',
  'head',
  'hair',
  'canvas',
  'layout',
  'placement',
  'formula',
  'quantity',
  'process',
  'result',
  'schedule',
  'run',
  'mixing',
  'money',
  'appearance',
  'outcome',
  'feasibility',
  'care',
  'advice',
  'sheet',
  'pipeline',
  'services',
]

const coreRules = CORE.map((folder, i) => ({
  name: `core-${folder}-builds-only-on-what-comes-before`,
  severity: 'error',
  from: { path: `^src/core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^src/core/(${CORE.slice(i + 1).join('|') || 'nothing'})/` },
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
      to: { path: '^src/(app|ui|workers|server|db)/' },
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
      name: 'workers-wrap-core',
      severity: 'error',
      from: { path: '^src/workers/' },
      to: { path: '^src/(app|ui|server|db)/' },
    },
    {
      name: 'ui-knows-no-server',
      severity: 'error',
      from: { path: '^src/ui/' },
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
      name: 'through-the-door',
      comment: 'A folder of the core or the server is entered by its index only.',
      severity: 'error',
      from: { path: '^src/(core|server)/([^/]+)/|^src/(app|ui|workers|db)/|^scripts/|^tests/' },
      to: { path: '^src/(core|server)/([^/]+)/', pathNot: ['^src/(core|server)/[^/]+/index\\.ts$', '^src/$1/$2/'] },
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
