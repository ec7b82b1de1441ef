import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensureDataFolder, ensureModules, root } from './lib/prepare.mjs'
import { main, Plain, run } from './lib/say.mjs'

/**
 * npm run mutants -- FOLDER [FILE]: changes a folder of the core in many small ways, and says which of them no test of that
 * folder notices. What was found before and has not changed since is not tried again. A file that declares rules is held
 * to the tests that name one of them: every proof runs through every rule, and waiting for all of them takes a day.
 */
main(async () => {
  const [folder, file = '*'] = process.argv.slice(2)
  if (!folder || !existsSync(join(root, 'src/core', folder)))
    throw new Plain(
      'npm run mutants -- FOLDER [FILE]: name a folder of src/core, such as startup, and maybe one of its files',
    )
  const source = join(root, 'src/core', folder, `${file}.ts`)
  const rules = existsSync(source)
    ? [...readFileSync(source, 'utf8').matchAll(/^  id: '(\w+)'/gm)].map((m) => m[1])
    : []
  await ensureModules()
  const data = ensureDataFolder()
  const config = join(data, 'stryker.json')
  const jest = join(data, 'jest.mutants.mjs')
  // Only the folder's own tests: what they do not notice is what they do not say.
  writeFileSync(
    jest,
    `import base from '${join(root, 'jest.config.mjs')}'
export default async () => ({ ...(await base()), testNamePattern: '${rules.length ? `\\\\b(${rules.join('|')})\\\\b` : ''}', rootDir: process.cwd(), testMatch: ['<rootDir>/src/core/${folder}/*.test.ts'] })
`,
  )
  writeFileSync(
    config,
    JSON.stringify({
      testRunner: 'jest',
      jest: { configFile: jest, enableFindRelatedTests: false },
      coverageAnalysis: rules.length ? 'off' : 'perTest',
      mutate: [`src/core/${folder}/${file}.ts`, '!src/**/*.test.ts', '!src/**/index.ts'],
      incremental: rules.length === 0,
      incrementalFile: join(data, `mutants-${folder}.json`),
      ignoreStatic: rules.length === 0,
      tempDirName: join(data, 'mutants'),
      ignorePatterns: ['.next', '.data', 'docs', 'test-results'],
      reporters: ['clear-text'],
      clearTextReporter: { allowColor: false, logTests: false },
      concurrency: 2,
      timeoutMS: 30_000,
    }),
  )
  const { code } = await run('npx', ['stryker', 'run', config], { cwd: root })
  process.exitCode = code
})
