import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePackages } from './lib/machine.mjs'
import { ensureModules, root } from './lib/prepare.mjs'
import { main, run, say } from './lib/say.mjs'
import { withStage } from './lib/stage.mjs'
import { jestArgs } from './lib/unit.mjs'

const CRUISED = ['src', 'scripts', 'tests']

/** Every check of the house; it goes on after a failure, and ends with one line of numbers. */
main(async () => {
  await ensurePackages(['postgresql', 'chromium', 'poppler-utils'])
  await ensureModules()
  const results = join(root, 'test-results')
  rmSync(results, { recursive: true, force: true })
  mkdirSync(results, { recursive: true })
  const total = { passed: 0, failed: 0 }
  const count = (passed, failed) => {
    total.passed += passed
    total.failed += failed
  }
  const npx = (...args) => run('npx', args, { cwd: root, quiet: true, env: { NEXT_TELEMETRY_DISABLED: '1' } })
  const seconds = []
  /** Runs one part, and remembers how long it took. */
  const part = async (name, act) => {
    say(name)
    const from = Date.now()
    await act()
    seconds.push(`${name} ${Math.round((Date.now() - from) / 1000)}`)
  }
  const step = (name, ...args) =>
    part(name, async () => {
      const { code, out } = await npx(...args)
      if (code !== 0) say(`${name}: failed\n${out.trim()}`)
      count(code === 0 ? 1 : 0, code === 0 ? 0 : 1)
    })

  await npx('next', 'typegen')
  // Each of these keeps one processor busy, so two run at a time.
  await Promise.all([
    step('lint', 'eslint', '.'),
    (async () => {
      await step('types', 'tsc', '--noEmit')
      await step('format', 'prettier', '--check', '--log-level', 'warn', '.')
      await step('one-way dependencies', 'depcruise', '--config', '.dependency-cruiser.cjs', ...CRUISED)
      await step('nothing dead', 'knip', '--no-progress')
      await step('spelling', 'cspell', '--no-progress')
    })(),
  ])

  await part('unit tests', async () => {
    const unit = join(results, 'unit.json')
    await run(process.execPath, [...jestArgs, '--json', `--outputFile=${unit}`, '--silent'], { cwd: root })
    const jest = read(unit)
    if (jest) count(jest.numPassedTests, jest.numFailedTests + jest.numRuntimeErrorTestSuites)
    else count(0, 1)
  })
  await part('build and browser tests', () =>
    withStage({ name: 'test' }, async ({ url, databaseUrl }) => {
      await run('npx', ['playwright', 'test'], {
        cwd: root,
        env: { BASE_URL: url, TEST_DATABASE_URL: databaseUrl },
      })
      const browser = read(join(results, 'browser.json'))
      if (browser) count(browser.stats.expected + browser.stats.flaky, browser.stats.unexpected)
      else count(0, 1)
    }),
  )
  const program = (name, file) =>
    part(name, async () => {
      const { code } = await run(process.execPath, ['--import', 'tsx', file], { cwd: root })
      count(code === 0 ? 1 : 0, code === 0 ? 0 : 1)
    })
  await program('repositories on PostgreSQL', 'tests/server/main.ts')
  await program('saving through restarts', 'tests/durability/main.ts')
  await program('a storm over many devices', 'tests/durability/storm.ts')
  await program('the start command, cut off', 'tests/durability/command.ts')
  await program('the development server', 'tests/dev/main.ts')

  say(`seconds: ${seconds.join(', ')}`)

  console.log(`${total.passed} passed, ${total.failed} failed`)
  process.exitCode = total.failed ? 1 : 0
})

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null)
