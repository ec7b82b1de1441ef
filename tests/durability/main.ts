import { execFileSync } from 'node:child_process'
import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { httpTransport, JobStore, memoryQueue } from '@/client'
import { connect, getJob, shopIn } from '@/server'
import { freePort, startCluster } from '../../scripts/lib/postgres.mjs'
import { prepareDatabase, startServer } from '../../scripts/lib/serve.mjs'

/**
 * 200 operations while the server is killed again and again and the database once, as by a power failure. In the end
 * every operation is in the log once, the document has them all, and the readings refuse to be changed.
 */
const OPS = 200
const expect = (what: string, ok: boolean): void => {
  console.log(`  ${ok ? 'ok  ' : 'FAIL'} ${what}`)
  if (!ok) process.exitCode = 1
}
const pause = (ms: number) => new Promise((r) => setTimeout(r, ms))

/** Seeded, so that a failure can be repeated. */
let seed = 20261124
const random = () => ((seed = (seed * 1103515245 + 12345) % 2147483648), seed / 2147483648)

async function main(): Promise<void> {
  const folder = join(tmpdir(), `gate-cross-durable-${process.pid}`)
  const cluster = await startCluster(folder)
  await prepareDatabase(cluster.url)
  const port = await freePort()
  let server = await startServer({ port, databaseUrl: cluster.url })
  // Started as root, it is nobody wherever nobody may read the app.
  const uid = Number(execFileSync('ps', ['-o', 'uid=', '-p', String(server.pid)], { encoding: 'utf8' }))
  expect(`the server runs as who it was started as, root excepted (${uid})`, uid === server.uid)
  try {
    let n = 0
    const queue = memoryQueue()
    const store = new JobStore('quillfeather-lane', {
      transport: httpTransport(server.url),
      queue,
      client: 'tab-1',
      who: () => 'Wren Hollis',
      newId: () => `op-${++n}`,
      now: () => new Date(),
      retryAfter: () => 120,
    })
    await store.load()
    const breakdowns = (async () => {
      for (let i = 0; i < 3; i++) {
        await pause(300 + 700 * random())
        await server.kill()
        if (i === 1) {
          await cluster.kill()
          await cluster.start()
        }
        server = await startServer({ port, databaseUrl: cluster.url })
      }
    })()
    for (let i = 0; i < OPS; i++) {
      const made =
        i % 5 === 4
          ? store.edit({ kind: 'takeReading', reading: reading(i) })
          : store.edit({ kind: 'setSetting', ref: 'odt', setting: 'setpoint', value: 20 + (i % 25) })
      if (!made.ok) throw new Error(JSON.stringify(made.problems))
      await pause(25 * random())
    }
    await breakdowns
    for (let i = 0; i < 200 && store.getView().waiting > 0; i++) {
      await store.flush()
      await pause(100)
    }
    const view = store.getView()
    expect(
      'nothing waits any more, and nothing was set aside',
      view.waiting === 0 && view.conflicted.length === 0,
    )
    const db = connect(cluster.url)
    const rows = await db.ops.findAll({ where: { jobId: 'quillfeather-lane' }, order: [['version', 'ASC']] })
    const ids = rows.map((r) => r.opId)
    expect(
      `${OPS} operations are in the log, each once (${ids.length}, ${new Set(ids).size})`,
      ids.length === OPS && new Set(ids).size === OPS,
    )
    expect(
      'in the order of making',
      ids.every((id, i) => id === `op-${i + 1}`),
    )
    const { job: doc, version } = (await getJob(shopIn(db), 'quillfeather-lane'))!
    expect('the version counts them', version === 1 + OPS)
    expect(
      'the last setting is the one that was made last',
      doc.placed.find((p) => p.ref === 'odt')!.settings.setpoint === 20 + (198 % 25),
    )
    const taken = await db.readings.count({ where: { jobId: 'quillfeather-lane', kind: 'lineVolts' } })
    // Forty are made here, and the demo job brings one of its own.
    expect(`forty readings are rows of their own (${taken - 1})`, taken === 41)
    for (const sql of ['UPDATE readings SET value = 1', 'DELETE FROM readings', 'TRUNCATE readings']) {
      const refused = await db.sequelize.query(sql).then(
        () => false,
        (e: Error) => e.message.includes('append-only'),
      )
      expect(`the database refuses: ${sql}`, refused)
    }
    await db.sequelize.query("INSERT INTO schema_migrations (name) VALUES ('9999-later')")
    const newer = await prepareDatabase(cluster.url).then(
      () => '',
      (e: Error) => e.message,
    )
    expect(
      'a database that is newer than the code is said in a sentence',
      /newer than this Gate Cross/.test(newer),
    )
    store.close()
    await db.sequelize.close()
  } finally {
    await server.stop()
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

function reading(i: number) {
  return {
    id: `r-${i}`,
    kind: 'lineVolts' as const,
    value: 230 + (i % 10),
    place: 'disconnect' as const,
    at: 'kit',
    withBlower: null,
    instrument: 'multimeter',
    situation: { call: 'off' as const, outdoorF: 50 as never, modes: {} },
    who: 'Wren Hollis',
    when: '2026-11-24T00:00:00Z',
    supersedes: null,
  }
}

void main()
