import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from '../../scripts/lib/postgres.mjs'
import { ensureBuild } from '../../scripts/lib/prepare.mjs'

/** The start command, with what it started killed under it, and itself cut off: what is gone comes back, what is left is ended. */
const root = join(__dirname, '../..')
const expect = (what: string, ok: boolean, got: unknown = ''): void => {
  console.log(`  ${ok ? 'ok  ' : 'FAIL'} ${what}${ok ? '' : `: ${String(got)}`}`)
  if (!ok) process.exitCode = 1
}
const pause = (ms: number) => new Promise((r) => setTimeout(r, ms))
const isAlive = (pid: number): boolean => {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]![0] !== 'Z'
  } catch {
    return false
  }
}

async function main(): Promise<void> {
  await ensureBuild()
  const folder = join(tmpdir(), `gate-cross-command-${process.pid}`)
  mkdirSync(folder)
  const port = await freePort()
  const url = `http://127.0.0.1:${port}`
  let said = ''
  const start = (): ChildProcess => {
    const child = spawn(process.execPath, [join(root, 'scripts/demo.mjs')], {
      cwd: root,
      env: { ...process.env, DATABASE_URL: '', GATE_CROSS_DATA: folder, PORT: String(port) },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (d) => (said += String(d)))
    return child
  }
  const until = async (what: () => boolean | Promise<boolean>, ms: number) => {
    for (const end = Date.now() + ms; Date.now() < end; await pause(100)) if (await what()) return true
    return false
  }
  const answers = async () => {
    try {
      return (await fetch(`${url}/api/jobs`, { signal: AbortSignal.timeout(2000) })).ok
    } catch {
      return false
    }
  }
  const server = () =>
    (JSON.parse(readFileSync(join(folder, 'running.json'), 'utf8')) as { server: number }).server
  const postmaster = () => Number(readFileSync(join(folder, 'pg', 'postmaster.pid'), 'utf8').split('\n')[0])
  let command = start()
  try {
    expect('it is ready', await until(() => said.includes('ready at'), 60_000), said)
    const first = server()
    process.kill(first, 'SIGKILL')
    expect(
      'a server that was killed is said',
      await until(() => said.includes('the server ended by itself'), 5_000),
      said,
    )
    expect(
      'and answers again',
      await until(async () => server() !== first && (await answers()), 20_000),
      said,
    )
    const database = postmaster()
    process.kill(database, 'SIGKILL')
    expect(
      'a database that was killed is said',
      await until(() => said.includes('the database ended by itself'), 10_000),
      said,
    )
    expect('and answers again, with what was in it', await until(answers, 20_000), said)

    // Another in the same folder is refused, and takes nothing down.
    const before = [server(), postmaster()]
    const other = await freePort()
    const second = spawnSync(process.execPath, [join(root, 'scripts/demo.mjs')], {
      cwd: root,
      env: { ...process.env, DATABASE_URL: '', GATE_CROSS_DATA: folder, PORT: String(other) },
      encoding: 'utf8',
      timeout: 60_000,
    })
    expect(
      'a second command in the folder is told who has it',
      second.status !== 0 &&
        second.stderr.includes(`process ${command.pid} (demo.mjs) already uses the database in ${folder}`),
      `${second.status} ${second.stdout}${second.stderr}`,
    )
    expect('and the first goes on', (await answers()) && [server(), postmaster()].join() === before.join())

    // Cut off itself, it leaves both behind; the next command ends them and begins.
    const left = server()
    command.kill('SIGKILL')
    await until(() => command.exitCode !== null || command.signalCode !== null, 5_000)
    said = ''
    command = start()
    expect(
      'what an earlier command left behind is ended',
      await until(() => said.includes('left behind'), 20_000),
      said,
    )
    expect('and the next one is ready', await until(() => said.includes('ready at'), 60_000), said)
    expect('with another server', !isAlive(left) && server() !== left)

    const all = [server(), postmaster()]
    const from = Date.now()
    command.kill('SIGTERM')
    expect(
      'told to end, it is gone in five seconds',
      await until(() => command.exitCode !== null, 5_500),
      said,
    )
    expect(
      'and so is everything that it started',
      all.every((p) => !isAlive(p)),
      all,
    )
    console.log(`  ended in ${Date.now() - from} ms`)
  } finally {
    if (command.exitCode === null) command.kill('SIGTERM')
    await pause(500)
    rmSync(folder, { recursive: true, force: true })
  }
}

void main()
