import next from 'eslint-config-next'
import prettier from 'eslint-config-prettier'
import tseslint from 'typescript-eslint'
import deviceKinds from './scripts/lint/deviceKinds.mjs'

const TYPED = ['src/**/*.ts', 'src/**/*.tsx', 'tests/**/*.ts', 'scripts/**/*.ts']

const config = [
  { ignores: ['.next/**', '.data/**', 'next-env.d.ts', 'test-results/**', 'playwright-report/**'] },
  ...next,
  ...tseslint.configs.recommended,
  ...tseslint.configs.recommendedTypeCheckedOnly.map((c) => ({ ...c, files: TYPED })),
  {
    files: TYPED,
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      // An async function that awaits nothing still gives the promise that its interface asks for.
      '@typescript-eslint/require-await': 'off',
      eqeqeq: ['error', 'always'],
      'max-lines': ['error', { max: 400 }],
    },
  },
  {
    // Matchers and answers read as JSON are "any" by their own types.
    files: ['tests/**/*.ts', 'src/**/*.test.ts', 'src/**/*.test.tsx'],
    ignores: ['tests/helpers/property.ts'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      'no-restricted-imports': [
        'error',
        { name: 'fast-check', message: 'Import tests/helpers/property: it counts the runs.' },
      ],
    },
  },
  {
    // Values that must exist are read through `core/assert`, which says what was missing. The inner loops of solver and
    // simulation are exempt.
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    ignores: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'src/core/circuit/**', 'src/core/simulation/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'error' },
  },
  {
    // Only a kind's own row knows its name.
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    ignores: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'src/core/equipment/kinds/**'],
    plugins: { gatecross: deviceKinds },
    rules: { 'gatecross/no-device-kind': 'error' },
  },
  {
    // Playwright's fixtures call a function named `use`, which is not a React hook.
    files: ['tests/**/*.ts'],
    rules: { 'react-hooks/rules-of-hooks': 'off' },
  },
  {
    files: ['**/*.cjs'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  prettier,
]

export default config
