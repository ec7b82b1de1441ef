import nextJest from 'next/jest.js'

const withNext = nextJest({ dir: './' })

export default withNext({
  testEnvironment: 'node',
  testMatch: [
    '<rootDir>/src/**/*.test.ts',
    '<rootDir>/src/**/*.test.tsx',
    '<rootDir>/demo/**/*.test.ts',
    '<rootDir>/tests/unit/**/*.test.ts',
  ],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/.data/'],
})
