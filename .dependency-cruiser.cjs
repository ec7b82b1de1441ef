/** Rules of docs/architecture.md about which folder may import which; a breach fails the build. */
const floors = [
  'cache',
  'assert',
  'units',
  'house',
  'equipment',
  'deviceBuilder',
  'installation',
  'query',
  'situation',
  'circuit',
  'wiring',
  'kit',
  'readings',
  'explain',
  'time',
  'rules',
  'failures',
  'plan',
  'wireIdentification',
  'crossing',
  'simulation',
  'instruments',
  'setup',
  'startup',
  'keypad',
  'analysis',
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

/** Folders that each folder outside the core may import. */
const may = {
  jobfile: ['core'],
  words: ['core', 'jobfile'],
  workers: ['core'],
  client: ['core', 'jobfile', 'workers'],
  server: ['core', 'jobfile', 'words'],
  drawing: ['core', 'words'],
  papers: ['core', 'jobfile', 'words', 'drawing'],
  ui: ['core', 'words', 'drawing'],
  features: ['core', 'jobfile', 'words', 'workers', 'client', 'ui', 'drawing', 'papers'],
  app: ['core', 'jobfile', 'words', 'server', 'features', 'ui', 'client'],
  cli: ['core', 'jobfile', 'words'],
}
const placeRules = Object.entries(may).map(([place, allowed]) => ({
  name: `place-${place}`,
  severity: 'error',
  from: { path: `^src/${place}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: [`^src/${place}/`, ...allowed.map((a) => `^src/${a}/`)] },
}))

/**
 * Inside `features`: the session (job, situation, edits) below, parts that several screens show upon it, then the places of
 * a job and the pages, and the shell over the places. No place and no page knows another.
 */
const parts = [
  'chain',
  'plan',
  'readings',
  'deviceForm',
  'lockOut',
  'news',
  'offline',
  'putBack',
  'papers',
  'instruments',
  'time',
]
const places = ['gear', 'crossing', 'bench', 'kit', 'setup', 'startup', 'handover']
const pages = ['jobs', 'newJob', 'library', 'scan']
const reach = {
  session: [],
  ...Object.fromEntries(parts.map((p) => [p, ['session', ...parts]])),
  ...Object.fromEntries(places.map((p) => [p, ['session', ...parts]])),
  ...Object.fromEntries(pages.map((p) => [p, parts])),
  shell: ['session', ...parts, ...places],
}
const featureRules = [
  ...Object.entries(reach).map(([feature, allowed]) => ({
    name: `feature-${feature}`,
    severity: 'error',
    from: { path: `^src/features/${feature}/`, pathNot: '\\.test\\.tsx?$' },
    to: {
      path: '^src/features/',
      pathNot: [feature, ...allowed].map((f) => `^src/features/${f}/`),
    },
  })),
  {
    name: 'feature-known',
    comment: 'a folder of features has a line in .dependency-cruiser.cjs',
    severity: 'error',
    from: { path: '^src/features/', pathNot: Object.keys(reach).map((f) => `^src/features/${f}/`) },
    to: {},
  },
  {
    name: 'feature-by-its-door',
    comment: 'a folder of features is entered through its index',
    severity: 'error',
    from: { path: '^src/(?:features/([^/]+)/|(?!features/))', pathNot: '\\.test\\.tsx?$' },
    to: { path: '^src/features/[^/]+/', pathNot: ['^src/features/$1/', '^src/features/[^/]+/index\\.ts$'] },
  },
]

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
    {
      name: 'instruments-apart',
      comment: 'stand-in instruments share no band, tolerance or formula with what judges their readings',
      severity: 'error',
      from: { path: '^src/core/instruments/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^src/core/',
        pathNot: [
          'instruments',
          // Its coil and its frost: no reading is judged by them, which the next rule holds.
          'simulation',
          // Names, units and places of readings, and no range.
          'readings',
          'circuit',
          'failures',
          'time',
          'situation',
          'installation',
          'equipment',
          'units',
        ].map((f) => `^src/core/${f}/`),
      },
    },
    {
      name: 'judging-apart',
      severity: 'error',
      from: { path: '^src/core/startup/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/(instruments|simulation)/' },
    },
    ...floorRules,
    ...placeRules,
    ...featureRules,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.next|\\.data' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    // Packages that say by `exports` what they have.
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
}
