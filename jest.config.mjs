import nextJest from 'next/jest.js'

const withNext = nextJest({ dir: './' })

/** Options of both projects. */
const common = {
  testEnvironment: 'node',
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/.data/'],
}

/**
 * Jest runs a test file in a context of its own, where each look-up of a global is slow. The globals named here reach every
 * module as local names instead, and the inner loops of solver and simulation run two to four times faster. A package that
 * gives one of these names to something else does not load then, so the interface, with its icons, goes without.
 */
const FAST_GLOBALS = [
  ...['Array', 'BigInt', 'Boolean', 'Date', 'Error', 'Infinity', 'JSON', 'Map', 'Math', 'Number', 'Object'],
  ...['Promise', 'Proxy', 'Reflect', 'RegExp', 'Set', 'String', 'Symbol', 'WeakMap', 'WeakSet'],
  ...['Float32Array', 'Float64Array', 'Int8Array', 'Int16Array', 'Int32Array'],
  ...['Uint8Array', 'Uint16Array', 'Uint32Array'],
]

const INTERFACE = ['src/features', 'src/ui', 'src/drawing']
const ALL = ['src', 'demo', 'tests/unit']

/** Packages that ship modules only: they are compiled like the app's own files. */
const compileModules = (config) => ({
  ...config,
  transformIgnorePatterns: [
    '/node_modules/(?!(?:@tanstack|@thi.ng|ohash|base45-ts)/)',
    '^.+\\.module\\.(css|sass|scss)$',
  ],
})

/** A project with the tests of some folders. */
const project = async (displayName, folders, more) =>
  compileModules(
    await withNext({
      ...common,
      ...more,
      displayName,
      testMatch: folders.map((f) => `<rootDir>/${f}/**/*.test.{ts,tsx}`),
    })(),
  )

const config = async () => ({
  // A machine whose neighbors are busy is ten times slower for a while; no test is about how fast an answer comes.
  testTimeout: 60_000,
  reporters: ['default', '<rootDir>/tests/helpers/countReporter.cjs'],
  projects: [
    await project('core', ALL, {
      sandboxInjectedGlobals: FAST_GLOBALS,
      testPathIgnorePatterns: INTERFACE.map((f) => `<rootDir>/${f}/`),
    }),
    await project('interface', INTERFACE, {}),
  ],
})

export default config
