import { spawn, spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { engine, root } from './prepare.mjs'
import { Plain, run, say } from './say.mjs'

/**
 * Migrates the database, and loads the demo jobs where there are none yet. `reset` empties it first; `proven: false` leaves
 * the proofs of the demo jobs to the server; `to` stops at a schema change of an earlier release.
 */
export async function prepareDatabase(url, { reset = false, demo = true, proven = true, to = null } = {}) {
  const args = [
    '--import',
    'tsx',
    join(root, 'scripts/database.ts'),
    ...(reset ? ['--reset'] : []),
    ...(demo ? ['--demo'] : []),
    ...(proven ? [] : ['--unproven']),
    ...(to === null ? [] : ['--to', to]),
  ]
  const result = await run(process.execPath, args, {
    cwd: root,
    quiet: true,
    env: { DATABASE_URL: url, GATE_CROSS_ENGINE: engine() },
  })
  if (result.code !== 0) throw new Plain(result.out.trim())
  return result.out.trim()
}

/**
 * Whom the server runs as: a server that anybody can talk to has no business as root. null: as whoever started it, since
 * that is not root, or since nobody else may read the folder that the app lies in.
 */
function servant() {
  if (process.getuid?.() !== 0) return null
  const idOf = (flag) => Number(spawnSync('id', [flag, 'nobody'], { encoding: 'utf8' }).stdout)
  const who = { uid: idOf('-u'), gid: idOf('-g') }
  if (!who.uid || !who.gid) return null
  const manifest = join(root, '.next', 'BUILD_ID')
  const canRead = spawnSync(
    process.execPath,
    ['-e', `require('fs').readFileSync(${JSON.stringify(manifest)})`],
    {
      ...who,
      cwd: '/',
    },
  )
  if (canRead.status === 0) return who
  say(`the server runs as root: no other user may read ${root}`)
  return null
}

/**
 * Starts the server on loopback and waits for its first answer.
 * @param log takes what the server prints
 * @param dev serves the source with hot reload instead of the build
 * @param threads path of the file that threads run, where it is not the build's own
 */
export async function startServer({ port, databaseUrl, log = null, dev = false, threads = null }) {
  // A development server writes what it compiles into the checkout, so it runs as whoever owns that.
  const who = dev ? null : servant()
  // Requests are short-lived and many: more room for the young spares the collector a fifth of the server's time.
  const program = dev
    ? [join(root, 'node_modules/next/dist/bin/next'), 'dev', '-H', '127.0.0.1', '-p', String(port)]
    : [join(root, 'scripts/server.mjs'), String(port)]
  const flags = ['--max-semi-space-size=64', ...program]
  const child = spawn(process.execPath, flags, {
    cwd: root,
    ...who,
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      NODE_ENV: dev ? 'development' : 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      // A build has its engine's name in it already.
      ...(dev ? { GATE_CROSS_ENGINE: engine() } : {}),
      ...(threads ? { GATE_CROSS_THREADS: threads } : {}),
    },
    stdio: ['ignore', 'pipe', 'pipe'],
    // Its own process group: Ctrl-C then ends it through us, in order.
    detached: true,
  })
  // Stopped before its first page is there, a development server would go on by itself.
  if (dev) process.once('exit', () => child.kill())
  let last = ''
  child.stderr.on('data', (d) => {
    last = (last + d).slice(-4000)
    log?.write(d)
  })
  child.stdout.on('data', (d) => log?.write(d))
  const gone = new Promise((resolve) => child.on('exit', resolve))
  const url = `http://127.0.0.1:${port}`
  // In development a page is compiled when it is first asked for. Waiting for the list here spares whoever opens it that.
  const [first, mostMs] = dev ? ['/', 60_000] : ['/api/health', 5000]
  const until = Date.now() + 60_000
  for (;;) {
    if (child.exitCode !== null) throw new Plain(`the server stopped: ${last.trim() || 'no reason given'}`)
    try {
      if ((await fetch(url + first, { signal: AbortSignal.timeout(mostMs) })).ok) break
    } catch {
      // not up yet
    }
    if (Date.now() > until) throw new Plain(`the server does not answer at ${url}: ${last.trim()}`)
    await new Promise((r) => setTimeout(r, 150))
  }
  const end = async (signal) => {
    if (child.exitCode === null) child.kill(signal)
    await gone
  }
  return {
    url,
    pid: child.pid,
    uid: who?.uid ?? process.getuid?.(),
    gone,
    stop: () => end('SIGTERM'),
    kill: () => end('SIGKILL'),
  }
}
