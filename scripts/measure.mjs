import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { ensurePackages } from './lib/machine.mjs'
import { ensureDataFolder, ensureModules, root } from './lib/prepare.mjs'
import { main, Plain, run, say } from './lib/say.mjs'
import { measureSource } from './lib/source.mjs'
import { withStage } from './lib/stage.mjs'
import { jestArgs } from './lib/unit.mjs'

const FILE = join(root, 'docs/measure.json')
/** Results that are too long to be printed. */
const LONG = new Set(['files', 'folders', 'longFunctions'])
const PARTS = { source: measureSource, unit: measureUnit, scripts: measureScripts, cold: measureCold }

/**
 * npm run measure [-- source unit scripts cold]: writes docs/measure.json, all of it or the parts that are named. Each part
 * carries the commit that it was measured at, so that a later one can be compared with it.
 */
main(async () => {
  const named = process.argv.slice(2)
  const odd = named.find((name) => !Object.hasOwn(PARTS, name))
  if (odd)
    throw new Plain(`"${odd}" is no part of a measurement. The parts are: ${Object.keys(PARTS).join(', ')}`)
  await ensurePackages(['postgresql', 'chromium', 'poppler-utils'])
  await ensureModules()
  const git = async (...args) => (await run('git', args, { cwd: root, quiet: true })).out.trim()
  const commit = await git('rev-parse', '--short=12', 'HEAD')
  const isClean = (await git('status', '--porcelain', '--', ':!docs/measure.json')) === ''
  const measured = existsSync(FILE) ? JSON.parse(readFileSync(FILE, 'utf8')) : {}
  for (const name of Object.keys(PARTS).filter((p) => !named.length || named.includes(p))) {
    say(`measuring: ${name}`)
    measured[name] = { commit: isClean ? commit : `${commit} with changes`, ...(await PARTS[name]()) }
    // Written part by part, so that what was measured stays if a later part breaks off.
    writeFileSync(FILE, `${JSON.stringify(measured, null, 2)}\n`)
    console.log(JSON.stringify(measured[name], (key, value) => (LONG.has(key) ? undefined : value)))
  }
})

/** The unit suite: seconds of processor, what it tried, and the seconds of each file. */
async function measureUnit() {
  const file = join(ensureDataFolder(), 'unit.json')
  const args = [process.execPath, ...jestArgs, '--json', `--outputFile=${file}`, '--silent']
  // The shell counts what the workers take as well.
  const { out } = await run('bash', ['-c', 'TIMEFORMAT="took %R %U %S"; time "$@"', '--', ...args], {
    cwd: root,
    quiet: true,
  })
  const [, wall, user, system] = /took ([\d.]+) ([\d.]+) ([\d.]+)/.exec(out) ?? []
  const tried = /Tried: (\d+) assertions passed, (\d+) runs of (\d+) properties/.exec(out)
  if (!wall || !tried) throw new Plain(`the unit tests did not come to an end:\n${out.slice(-2000)}`)
  const { testResults, numPassedTests, numFailedTests } = JSON.parse(readFileSync(file, 'utf8'))
  const seconds = testResults.map(({ name, startTime, endTime }) => [
    relative(root, name),
    Math.round((endTime - startTime) / 100) / 10,
  ])
  return {
    cpuSeconds: Math.round(Number(user) + Number(system)),
    wallSeconds: Math.round(Number(wall)),
    passed: numPassedTests,
    failed: numFailedTests,
    expects: Number(tried[1]),
    propertyRuns: Number(tried[2]),
    properties: Number(tried[3]),
    files: Object.fromEntries(seconds.sort(([a], [b]) => (a < b ? -1 : 1))),
  }
}

/** kB of script, as sent, before the list and a job are of use: by the browser test that limits them. */
async function measureScripts() {
  const out = await withStage({ name: 'measure' }, async ({ url, databaseUrl }) => {
    const args = ['playwright', 'test', 'weight', '-g', 'stays small', '--reporter=list']
    const env = { BASE_URL: url, TEST_DATABASE_URL: databaseUrl }
    return (await run('npx', args, { cwd: root, env, quiet: true })).out
  })
  const found = /the list ([\d.]+) kB, a job ([\d.]+) kB/.exec(out)
  if (!found) throw new Plain(`the pages were not weighed:\n${out}`)
  return { listKb: Number(found[1]), jobKb: Number(found[2]) }
}

/** `gatecross check` from a cold start, as a multiple of Node's own start. */
async function measureCold() {
  const { out } = await run(process.execPath, [join(root, 'scripts/benchCold.mjs')], {
    cwd: root,
    quiet: true,
  })
  const ratios = [...out.matchAll(/^(\S+\.json): .* ([\d.]+) times$/gm)].map((m) => [m[1], Number(m[2])])
  if (!ratios.length) throw new Plain(`the command was not timed:\n${out}`)
  return { timesNodesOwnStart: Object.fromEntries(ratios) }
}
