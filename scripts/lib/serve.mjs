import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { engine, root } from './prepare.mjs'
import { Plain, run } from './say.mjs'

/** Migrates the database, and loads the demo jobs where there are none yet. `reset` empties it first. */
export async function prepareDatabase(url, { reset = false, demo = true } = {}) {
  const args = [
    '--import',
    'tsx',
    join(root, 'scripts/database.ts'),
    ...(reset ? ['--reset'] : []),
    ...(demo ? ['--demo'] : []),
  ]
  const result = await run(process.execPath, args, {
    cwd: root,
    quiet: true,
    env: { DATABASE_URL: url, GATE_CROSS_ENGINE: engine() },
  })
  if (result.code !== 0) throw new Plain(result.out.trim())
  return result.out.trim()
}

/** Starts the production server on loopback and waits for its first answer. */
export async function startServer({ port, databaseUrl, quiet = true }) {
  const next = join(root, 'node_modules/next/dist/bin/next')
  const child = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', String(port)], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: databaseUrl, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
    stdio: ['ignore', quiet ? 'pipe' : 'inherit', 'pipe'],
    // Its own process group: Ctrl-C then ends it through us, in order.
    detached: true,
  })
  let log = ''
  child.stderr.on('data', (d) => (log = (log + d).slice(-4000)))
  child.stdout?.on('data', () => {})
  const gone = new Promise((resolve) => child.on('exit', resolve))
  const url = `http://127.0.0.1:${port}`
  const until = Date.now() + 60_000
  for (;;) {
    if (child.exitCode !== null) throw new Plain(`the server stopped: ${log.trim() || 'no reason given'}`)
    try {
      if ((await fetch(`${url}/api/health`, { signal: AbortSignal.timeout(5000) })).ok) break
    } catch {
      // not up yet
    }
    if (Date.now() > until) throw new Plain(`the server does not answer at ${url}: ${log.trim()}`)
    await new Promise((r) => setTimeout(r, 150))
  }
  const end = async (signal) => {
    if (child.exitCode === null) child.kill(signal)
    await gone
  }
  return { url, gone, stop: () => end('SIGTERM'), kill: () => end('SIGKILL') }
}
