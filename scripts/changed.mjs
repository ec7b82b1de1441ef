import { existsSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { basename, dirname, join } from 'node:path'
import { parseArgs } from 'node:util'
import { ensureModules, root } from './lib/prepare.mjs'
import { main, Plain, run, say } from './lib/say.mjs'
import { jestArgs } from './lib/unit.mjs'

const USE = 'npm run test:changed [-- --since COMMIT]'
/** Seconds of unit tests, as docs/measure.json has them, that two processors run beside the other checks within a minute. */
const BUDGET_S = 45
/** Seconds of a test file that was never measured. */
const UNMEASURED_S = 2
const SOURCE = /^(src|tests|scripts)\/.*\.(ts|tsx|mjs|cjs)$/
const TEST = /\.test\.tsx?$/
/** Tests read these files by name, through this helper. */
const DATA = { files: /^(library|demo)\/.*\.json$/, readBy: 'tests/helpers/demo.ts' }

/**
 * Checks what was changed since the last commit, or since another one, in about a minute: types, lint, one-way dependencies,
 * and the unit tests that reach a changed file, nearest first. Tests that do not fit into the minute are counted, not run.
 */
main(async () => {
  const { since } = options()
  await ensureModules()
  const began = Date.now()
  const changed = await changedSince(since)
  const sources = changed.filter((f) => SOURCE.test(f))
  const roots = [...sources, ...(changed.some((f) => DATA.files.test(f)) ? [DATA.readBy] : [])]
  if (!roots.length) return say(`no source was changed since ${since}`)
  say(`${roots.length} changed files: ${roots.slice(0, 5).join(', ')}${roots.length > 5 ? ' …' : ''}`)

  const failed = []
  /** Runs one check; its output is shown if it fails. */
  const check = async (name, command, args) => {
    const { code, out } = await run(command, args, { cwd: root, quiet: true })
    say(`${name}: ${code === 0 ? 'passed' : 'failed'}, at ${secondsSince(began)} s`)
    if (code === 0) return out
    console.log(out.trim())
    failed.push(name)
    return out
  }
  const here = sources.filter((f) => existsSync(join(root, f)))
  const others = Promise.all([
    check('types', 'npx', ['tsc', '--noEmit']),
    here.length ? check('lint', 'npx', ['eslint', '--no-warn-ignored', ...here]) : null,
  ])
  const { modules, summary } = await cruised()
  const violations = summary.violations.filter((v) => v.rule.severity === 'error')
  say(`one-way dependencies: ${violations.length ? 'failed' : 'passed'}, at ${secondsSince(began)} s`)
  for (const v of violations) console.log(`${v.rule.name}: ${v.from} imports ${v.to}`)
  if (violations.length) failed.push('one-way dependencies')

  const { chosen, left } = select(reaching(modules, roots), roots)
  if (chosen.length) {
    const out = await check('unit tests', process.execPath, [...jestArgs, '--silent', ...chosen])
    say(out.split('\n').find((l) => l.startsWith('Tests:')) ?? 'no test was run')
  }
  const reached = `${chosen.length} of ${chosen.length + left.length} test files that reach the change were run`
  say(
    left.length ? `${reached}; "npm test" runs the others, such as ${left.slice(0, 3).join(', ')}` : reached,
  )
  await others
  say(`${failed.length ? `failed: ${failed.join(', ')}` : 'all passed'}, in ${secondsSince(began)} s`)
  process.exitCode = failed.length ? 1 : 0
})

function options() {
  try {
    return parseArgs({ options: { since: { type: 'string', default: 'HEAD' } } }).values
  } catch (e) {
    throw new Plain(`${e.message}. It is: ${USE}`)
  }
}

const secondsSince = (began) => Math.round((Date.now() - began) / 1000)

/** Paths that differ from a commit, new ones included. */
async function changedSince(commit) {
  const git = async (...args) => {
    const { code, out } = await run('git', args, { cwd: root, quiet: true })
    if (code !== 0) throw new Plain(`git ${args.join(' ')}: ${out.trim()}. It is: ${USE}`)
    return out.split('\n').filter(Boolean)
  }
  const tracked = await git('diff', '--name-only', '--no-renames', commit, '--')
  return [...new Set([...tracked, ...(await git('ls-files', '--others', '--exclude-standard'))])]
}

/** Every module with its imports, compared with the rules of the house. */
async function cruised() {
  const { cruise } = await import('dependency-cruiser')
  const { default: extractTsConfig } = await import('dependency-cruiser/config-utl/extract-ts-config')
  const { options: own, ...ruleSet } = createRequire(import.meta.url)(join(root, '.dependency-cruiser.cjs'))
  const result = await cruise(
    ['src', 'scripts', 'tests', 'demo'],
    { ...own, ruleSet, validate: true, baseDir: root },
    {},
    { tsConfig: extractTsConfig(join(root, 'tsconfig.json')) },
  )
  return result.output
}

/** Test files that import one of the roots, at however many removes, each with the least number of steps. */
function reaching(modules, roots) {
  const importers = new Map()
  for (const { source, dependencies } of modules)
    for (const { resolved } of dependencies)
      importers.set(resolved, [...(importers.get(resolved) ?? []), source])
  const steps = new Map(roots.map((f) => [f, 0]))
  // A map is walked in the order in which it grows.
  for (const [file, n] of steps)
    for (const importer of importers.get(file) ?? []) if (!steps.has(importer)) steps.set(importer, n + 1)
  return [...steps].filter(([file]) => TEST.test(file) && existsSync(join(root, file)))
}

/** The nearest tests that fit into the budget: a changed file's own first, then those of its folder, then by steps. */
function select(found, roots) {
  const measured = join(root, 'docs/measure.json')
  const seconds = existsSync(measured) ? JSON.parse(readFileSync(measured, 'utf8')).unit.files : {}
  const secondsOf = (file) => seconds[file] ?? UNMEASURED_S
  const stem = (file) => basename(file).split('.')[0]
  const rank = ([file, steps]) =>
    roots.includes(file) || roots.some((r) => dirname(r) === dirname(file) && stem(r) === stem(file))
      ? 0
      : roots.some((r) => dirname(r) === dirname(file))
        ? 1
        : 1 + steps
  const ordered = found
    .map((entry) => ({ file: entry[0], rank: rank(entry) }))
    .sort((a, b) => a.rank - b.rank || secondsOf(a.file) - secondsOf(b.file))
  const chosen = []
  const left = []
  let sum = 0
  for (const { file } of ordered) {
    const fits = sum + secondsOf(file) <= BUDGET_S || !chosen.length
    if (fits) sum += secondsOf(file)
    ;(fits ? chosen : left).push(file)
  }
  return { chosen, left }
}
