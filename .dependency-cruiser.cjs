/** One-way dependencies of docs/architecture.md, as rules that fail the build. */
const floors = [
  'units',
  'equipment',
  'deviceBuilder',
  'installation',
  'query',
  'situation',
  'circuit',
  'explain',
  'rules',
  'failures',
  'plan',
  'startup',
  'wireIdentification',
  'setup',
  'keypad',
]

/** A floor of the core may import only from the floors before it. */
const floorRules = floors.map((floor, i) => ({
  name: `core-floor-${floor}`,
  comment: `core/${floor} imports only from the floors below it`,
  severity: 'error',
  from: { path: `^src/core/${floor}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: '^src/core/',
    pathNot: [...floors.slice(0, i + 1).map((f) => `^src/core/${f}/`), '^src/core/tolerances\\.ts$'],
  },
}))

/** What each place outside the core may reach. */
const may = {
  jobfile: ['core'],
  words: ['core', 'jobfile'],
  workers: ['core'],
  client: ['core', 'jobfile', 'workers'],
  server: ['core', 'jobfile', 'words'],
  ui: ['core', 'words'],
  features: ['core', 'jobfile', 'words', 'workers', 'client', 'ui'],
  app: ['core', 'jobfile', 'words', 'server', 'features', 'ui', 'client'],
  cli: ['core', 'jobfile', 'words'],
}
const placeRules = Object.entries(may).map(([place, allowed]) => ({
  name: `place-${place}`,
  severity: 'error',
  from: { path: `^src/${place}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: [`^src/${place}/`, ...allowed.map((a) => `^src/${a}/`)] },
}))

module.exports = {
  forbidden: [
    {
      name: 'core-is-alone',
      comment: 'the core imports nothing outside itself',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^src/core/' },
    },
    {
      name: 'core-by-its-door',
      comment: 'a core folder is entered through its index',
      severity: 'error',
      from: { path: '^src/(?:core/([^/]+)/|(?!core/))' },
      to: { path: '^src/core/[^/]+/', pathNot: ['^src/core/$1/', '^src/core/[^/]+/index\\.ts$'] },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'nothing-lost',
      comment: 'an import that cannot be resolved',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true },
    },
    ...floorRules,
    ...placeRules,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.next|\\.data' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
  },
}
