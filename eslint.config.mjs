import next from 'eslint-config-next'
import prettier from 'eslint-config-prettier'
import tseslint from 'typescript-eslint'

const config = [
  { ignores: ['.next/**', '.data/**', 'next-env.d.ts', 'test-results/**', 'playwright-report/**'] },
  ...next,
  ...tseslint.configs.recommended,
  {
    files: ['src/**/*.ts', 'src/**/*.tsx', 'tests/**/*.ts'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: ['error', 'always'],
      'max-lines': ['error', { max: 400 }],
    },
  },
  {
    // Playwright's fixtures call a function named `use`, which is not a React hook.
    files: ['tests/**/*.ts'],
    rules: { 'react-hooks/rules-of-hooks': 'off' },
  },
  {
    files: ['.dependency-cruiser.cjs'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  prettier,
]

export default config
