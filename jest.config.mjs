import nextJest from 'next/jest.js'

const withNext = nextJest({ dir: './' })

const config = withNext({
  testEnvironment: 'node',
  // A machine whose neighbours are busy is ten times slower for a while; no test is about how fast an answer comes.
  testTimeout: 60_000,
  testMatch: [
    '<rootDir>/src/**/*.test.ts',
    '<rootDir>/src/**/*.test.tsx',
    '<rootDir>/demo/**/*.test.ts',
    '<rootDir>/tests/unit/**/*.test.ts',
  ],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/.data/'],
})

// These packages are modules only: they are compiled like the app's own files.
const withModules = async () => ({
  ...(await config()),
  transformIgnorePatterns: [
    '/node_modules/(?!(?:@tanstack|@thi.ng|ohash|base45-ts)/)',
    '^.+\\.module\\.(css|sass|scss)$',
  ],
})

export default withModules
