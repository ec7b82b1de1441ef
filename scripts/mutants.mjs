import { existsSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { ensureDataFolder, ensureModules, fingerprint, root } from './lib/prepare.mjs'
import { main, Plain, run, say } from './lib/say.mjs'

const USE =
  'npm run mutants -- [FOLDER | FOLDER/FILE …] [--resume] [--every N] [--from M] [--minutes N] [--without WORDS]'
const isSource = (name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && name !== 'index.ts'
const RESULTS = join(root, 'docs/mutants.json')
const CORE = 'src/core'

/**
 * Changes the core in many small ways, file by file, and says which changes no test of the file's folder notices. Results are
 * added to docs/mutants.json after each file, so that a run that is cut off loses one file at most.
 *
 * Named folders of src/core, or files such as `kit/rows`, are tried; none named means all of the core. With --resume, files are
 * left out that have not changed since their result, nor have their tests. Only changes within each fifth line are tried (--every N,
 * beginning at line M of each N): that says as much in a fifth of the time. A change over several lines is then left out:
 * tests notice those most. --minutes N begins no file after that time. --without WORDS leaves out tests so named.
 */
main(async () => {
  const { named, every, from, minutes, resume, without } = options()
  await ensureModules()
  const { out } = await run('git', ['rev-parse', '--short=12', 'HEAD'], { cwd: root, quiet: true })
  const commit = out.trim()
  const began = Date.now()
  // A result also depends on how many changes were tried: fewer tests say less.
  const tried = `${every}-${from}${without && `-${without}`}`
  const all = named.length ? named.flatMap(filesOf) : filesOf('')
  const todo = all.filter((file) => !resume || resultsNow()[file]?.fingerprint !== stateOf(file, tried))
  say(`${todo.length} of ${all.length} files of the core are to be tried`)
  for (const [i, file] of todo.entries()) {
    if ((Date.now() - began) / 60_000 > minutes) {
      say(`${todo.length - i} files are left for "npm run mutants -- --resume"`)
      break
    }
    const result = await tryFile(file, every, from, without)
    if (!result) {
      say(`${file}: the tests of its folder do not pass without any change`)
      process.exitCode = 1
      continue
    }
    keep(file, { commit, fingerprint: stateOf(file, tried), every, ...result })
    say(`${file}: ${result.noticed} of ${result.tried} changes noticed`)
    for (const s of result.survivors) console.log(`  line ${s.line}: ${s.change}`)
  }
})

function options() {
  let parsed
  try {
    parsed = parseArgs({
      allowPositionals: true,
      options: {
        resume: { type: 'boolean', default: false },
        every: { type: 'string', default: '5' },
        from: { type: 'string', default: '0' },
        minutes: { type: 'string', default: 'Infinity' },
        without: { type: 'string', default: '' },
      },
    })
  } catch (e) {
    throw new Plain(`${e.message}. It is: ${USE}`)
  }
  const { positionals: named, values } = parsed
  const [every, from, minutes] = [values.every, values.from, values.minutes].map(Number)
  if (!(every >= 1) || !(from >= 0) || !(minutes > 0))
    throw new Plain(`a number is out of its range. It is: ${USE}`)
  const odd = named.find((n) => !filesOf(n).length)
  if (odd) throw new Plain(`"${odd}" is no folder or file of ${CORE}. It is: ${USE}`)
  return { ...values, named, every, from, minutes }
}

/** Source files of a folder below the core ('' for all of it), or the one file that is named. */
function filesOf(name) {
  const path = join(CORE, name)
  if (existsSync(join(root, `${path}.ts`)) && isSource(`${path}.ts`)) return [`${path}.ts`]
  if (!existsSync(join(root, path)) || !statSync(join(root, path)).isDirectory()) return []
  return readdirSync(join(root, path), { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((e) =>
      e.isDirectory() ? filesOf(join(name, e.name)) : isSource(e.name) ? [join(path, e.name)] : [],
    )
}

/** The folder of the core that a file belongs to: its tests are those that have to notice. */
const folderOf = (file) =>
  file
    .split('/')
    .slice(0, file.split('/').length > 3 ? 3 : 2)
    .join('/')
const testsOf = (file) =>
  readdirSync(join(root, folderOf(file)), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => join(folderOf(file), name))
    .sort()

/** Changes with a file, with the tests of its folder, and with what is tried of it. */
const stateOf = (file, tried) => `${fingerprint([file, ...testsOf(file)]).slice(0, 16)}-${tried}`

const resultsNow = () => (existsSync(RESULTS) ? JSON.parse(readFileSync(RESULTS, 'utf8')).files : {})

/** Adds a file's result, with the scores of its folder and of all; the file of results is replaced in one step. */
function keep(file, result) {
  const known = { ...resultsNow(), [file]: result }
  const files = Object.fromEntries(
    Object.keys(known)
      .filter((f) => existsSync(join(root, f)))
      .sort()
      .map((f) => [f, known[f]]),
  )
  const folders = {}
  for (const [f, r] of Object.entries(files)) {
    const sum = (folders[folderOf(f)] ??= { tried: 0, noticed: 0, percent: null })
    sum.tried += r.tried
    sum.noticed += r.noticed
    sum.percent = percentOf(sum)
  }
  const total = { tried: 0, noticed: 0 }
  for (const f of Object.values(folders)) {
    total.tried += f.tried
    total.noticed += f.noticed
  }
  const whole = {
    filesTried: Object.keys(files).length,
    filesInAll: filesOf('').length,
    ...total,
    percent: percentOf(total),
  }
  writeFileSync(`${RESULTS}.new`, `${JSON.stringify({ whole, folders, files }, null, 1)}\n`)
  renameSync(`${RESULTS}.new`, RESULTS)
}
const percentOf = ({ tried, noticed }) => (tried ? Math.round((1000 * noticed) / tried) / 10 : null)

/** Tries the changes of one file; null where its tests fail before anything is changed. */
async function tryFile(file, every, from, without) {
  const data = ensureDataFolder()
  const [config, jest, report] = ['stryker.json', 'jest.mutants.mjs', 'mutants.json'].map((n) =>
    join(data, n),
  )
  const text = readFileSync(join(root, file), 'utf8')
  const lines = text
    .split('\n')
    .flatMap((_, i) => (i % every === from % every ? [`${file}:${i + 1}-${i + 1}`] : []))
  // Every proof runs through every rule. A file that declares rules is held to the tests that name one of them by its id or by
  // one of its codes: waiting for all the others takes a day.
  const rules = folderOf(file) === `${CORE}/rules` ? rulesIn(text) : []
  const naming = `\\b(${rules.join('|')})\\b`
  const isNamed = new RegExp(`${naming}|FIXTURES`)
  const tests = testsOf(file).filter(
    (t) => !rules.length || isNamed.test(readFileSync(join(root, t), 'utf8')),
  )
  if (!tests.length) return { tried: 0, noticed: 0, survivors: [], why: 'its folder has no tests' }
  // Tests of rules are gathered in one file, so that the core is loaded once for each change instead of once for each
  // file.
  const gathered = join(data, 'gathered.test.ts')
  writeFileSync(gathered, tests.map((t) => `import '@/${t.slice('src/'.length, -'.ts'.length)}'\n`).join(''))
  const matched = rules.length ? [join(folderOf(file), 'gathered.test.ts')] : tests
  writeFileSync(
    jest,
    `import base from '${join(root, 'jest.config.mjs')}'
export default async () => {
  const { projects: [core], testTimeout } = await base()
  return {
    ...core,
    testTimeout,
    rootDir: process.cwd(),
    testNamePattern: ${JSON.stringify(rules.length ? naming : without ? `^(?!.*(${without}))` : '')},
    testMatch: ${JSON.stringify(matched.map((t) => `<rootDir>/${t}`))},
  }
}
`,
  )
  writeFileSync(
    config,
    JSON.stringify({
      testRunner: 'jest',
      jest: { configFile: jest, enableFindRelatedTests: false },
      coverageAnalysis: rules.length ? 'off' : 'perTest',
      mutate: every === 1 ? [file] : lines,
      ignoreStatic: rules.length === 0,
      tempDirName: join(data, 'mutants'),
      ignorePatterns: ['.next', '.data', 'docs', 'test-results'],
      reporters: ['json'],
      jsonReporter: { fileName: report },
      concurrency: 2,
      timeoutMS: 30_000,
      ...(rules.length ? { buildCommand: `cp ${gathered.replaceAll(' ', '\\ ')} ${folderOf(file)}/` } : {}),
    }),
  )
  rmSync(report, { force: true })
  const { out } = await run('npx', ['stryker', 'run', config], { cwd: root, quiet: true })
  if (!existsSync(report)) {
    console.log(out.slice(-3000))
    return null
  }
  return resultIn(JSON.parse(readFileSync(report, 'utf8')), file, text)
}

/** Ids and codes of the rules that a file declares. */
const rulesIn = (text) =>
  [...text.matchAll(/^  (?:id: ('\w+')|codes: \[([^\]]*)\])/gm)].flatMap((m) =>
    [...(m[1] ?? m[2]).matchAll(/\w+/g)].map((word) => word[0]),
  )

/** Figures of a report: changes that compile and reach a test, how many were noticed, and each that was not. */
function resultIn(report, file, text) {
  const { mutants } = report.files[file] ?? { mutants: [] }
  const counted = mutants.filter((m) => !['Ignored', 'CompileError', 'RuntimeError'].includes(m.status))
  const alive = counted.filter((m) => m.status === 'Survived' || m.status === 'NoCoverage')
  const before = text.split('\n')
  const survivors = alive.map(({ location: { start, end }, replacement, status }) => {
    const old =
      start.line === end.line
        ? before[start.line - 1].slice(start.column - 1, end.column - 1)
        : before[start.line - 1].trim()
    const untried = status === 'NoCoverage' ? ' (no test reaches it)' : ''
    return { line: start.line, change: `${old} → ${(replacement ?? '').replace(/\s+/g, ' ')}${untried}` }
  })
  return { tried: counted.length, noticed: counted.length - alive.length, survivors }
}
