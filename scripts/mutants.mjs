import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { ensureDataFolder, ensureModules, root } from './lib/prepare.mjs'
import { main, Plain, run } from './lib/say.mjs'

/**
 * npm run mutants -- FOLDER [FILE …] [--every N [--from M]] [--without WORDS]: changes a folder of the core in many small
 * ways, and says which of them no test of that folder notices. What was found before and has not changed since is not tried again. Files that
 * declare rules are held to the tests that name one of them: every proof runs through every rule, and waiting for all of
 * them takes a day.
 * With --every, only the changes that lie within each Nth line are tried, which says as much of a large folder in an Nth of
 * the time (what spans several lines, such as a body taken out, is left out then: it is what tests notice most).
 * With --without, tests whose names match it are left out: the slow ones, where each change meets every test.
 */
main(async () => {
  const {
    positionals: [folder, ...files],
    values: { every, from, without },
  } = parseArgs({
    allowPositionals: true,
    options: {
      every: { type: 'string', default: '1' },
      from: { type: 'string', default: '0' },
      without: { type: 'string', default: '' },
    },
  })
  if (!folder || !existsSync(join(root, 'src/core', folder)) || !(Number(every) >= 1) || !(Number(from) >= 0))
    throw new Plain(
      'npm run mutants -- FOLDER [FILE …] [--every N [--from M]] [--without WORDS]: name a folder of src/core, such as startup, and maybe some of its files',
    )
  const at = join(root, 'src/core', folder)
  const textOf = (name) => readFileSync(join(at, name), 'utf8')
  // A rule is named by its id or by one of its codes.
  const rules = files.flatMap((f) =>
    [...textOf(`${f}.ts`).matchAll(/^  (?:id: ('\w+')|codes: \[([^\]]*)\])/gm)].flatMap((m) =>
      [...(m[1] ?? m[2]).matchAll(/\w+/g)].map((word) => word[0]),
    ),
  )
  const naming = new RegExp(rules.length ? `\\b(${rules.join('|')})\\b|FIXTURES` : '')
  const tests = readdirSync(at).filter((name) => name.endsWith('.test.ts') && naming.test(textOf(name)))
  await ensureModules()
  const data = ensureDataFolder()
  const config = join(data, 'stryker.json')
  const jest = join(data, 'jest.mutants.mjs')
  // Only the folder's own tests: what they do not notice is what they do not say. Those of rules are gathered in one file,
  // so that the core is loaded once a change and not once a file: a third of the time.
  const gathered = join(data, 'gathered.test.ts')
  writeFileSync(gathered, tests.map((t) => `import './${t.slice(0, -3)}'\n`).join(''))
  const matched = rules.length ? ['gathered.test.ts'] : tests
  const named = rules.length ? `\\b(${rules.join('|')})\\b` : without ? `^(?!.*(${without}))` : ''
  writeFileSync(
    jest,
    `import base from '${join(root, 'jest.config.mjs')}'
export default async () => ({ ...(await base()), testNamePattern: ${JSON.stringify(named)}, rootDir: process.cwd(), testMatch: ${JSON.stringify(matched.map((t) => `<rootDir>/src/core/${folder}/${t}`))} })
`,
  )
  writeFileSync(
    config,
    JSON.stringify({
      testRunner: 'jest',
      jest: { configFile: jest, enableFindRelatedTests: false },
      coverageAnalysis: rules.length ? 'off' : 'perTest',
      mutate:
        Number(every) === 1
          ? [
              ...(files.length ? files : ['*']).map((f) => `src/core/${folder}/${f}.ts`),
              '!src/**/*.test.ts',
              '!src/**/index.ts',
            ]
          : eachNth(folder, files, Number(every), Number(from)),
      incremental: rules.length === 0 && Number(every) === 1,
      incrementalFile: join(data, `mutants-${folder}.json`),
      ignoreStatic: rules.length === 0,
      tempDirName: join(data, 'mutants'),
      ignorePatterns: ['.next', '.data', 'docs', 'test-results'],
      reporters: ['clear-text'],
      clearTextReporter: { allowColor: false, logTests: false },
      concurrency: 2,
      timeoutMS: 30_000,
      ...(rules.length ? { buildCommand: `cp ${gathered.replaceAll(' ', '\\ ')} src/core/${folder}/` } : {}),
    }),
  )
  const { code } = await run('npx', ['stryker', 'run', config], { cwd: root })
  process.exitCode = code
})

/** Each Nth line of a folder's own files, or of some of them, counted through from file to file, as Stryker wants its ranges. */
function eachNth(folder, files, every, from) {
  let seen = from
  return readdirSync(join(root, 'src/core', folder))
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && name !== 'index.ts')
    .filter((name) => !files.length || files.includes(name.slice(0, -3)))
    .flatMap((name) =>
      readFileSync(join(root, 'src/core', folder, name), 'utf8')
        .split('\n')
        .flatMap((_, i) => (seen++ % every === 0 ? [`src/core/${folder}/${name}:${i + 1}-${i + 1}`] : [])),
    )
}
