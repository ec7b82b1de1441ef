import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { isDeepStrictEqual } from 'node:util'
import { httpTransport, JobStore, memoryQueue, type QueueStorage, type Transport } from '@/client'
import { clashAt, type Envelope, type Operation } from '@/jobfile'
import { connect, getJob, shopIn } from '@/server'
import { freePort, startCluster } from '../../scripts/lib/postgres.mjs'
import { prepareDatabase, startServer } from '../../scripts/lib/serve.mjs'

/**
 * Many devices on one job, all at once, while signals drop, answers get lost, tabs are closed and opened, and server and database
 * are killed. In the end every edit is in the log once, or stands before its maker to be decided; none was overwritten unseen.
 * Usage: storm.ts [edits] [devices] [seed]
 */
const [EDITS, DEVICES, SEED] = [120, 6, 20261127].map((or, i) => Number(process.argv[2 + i] ?? or)) as [number, number, number] // prettier-ignore
const JOB = 'quillfeather-lane'

let seed = SEED
const random = () => ((seed = (seed * 1103515245 + 12345) % 2147483648), seed / 2147483648)
const pause = (ms: number) => new Promise((r) => setTimeout(r, ms))
const expect = (what: string, ok: boolean): void => {
  console.log(`  ${ok ? 'ok  ' : 'FAIL'} ${what}`)
  if (!ok) process.exitCode = 1
}

const faults = { 'requests that never left': 0, 'answers that were lost': 0, 'tabs closed and opened': 0, 'server killed': 0, 'database killed': 0 } // prettier-ignore

/** A signal that fails on the way there, or on the way back with the work done. */
function shaky(url: () => string): Transport {
  const away = { ok: false, why: 'offline', message: 'no signal' } as const
  const real = () => httpTransport(url())
  const through = async <T>(act: () => Promise<T>): Promise<T | typeof away> => {
    if (random() < 0.12) {
      faults['requests that never left']++
      return away
    }
    const answer = await act()
    if (random() >= 0.1) return answer
    faults['answers that were lost']++
    return away
  }
  return {
    load: (id) => through(() => real().load(id)),
    push: (id, request) => through(() => real().push(id, request)),
    since: (id, version) => through(() => real().since(id, version)),
  }
}

/** One technician's device: a tab that is closed now and then, over a queue that stays. */
class Device {
  readonly made: { opId: string; op: Operation }[] = []
  private lastId = ''
  private readonly queue: QueueStorage = memoryQueue()
  private tabs = 0
  store: JobStore

  constructor(
    private readonly n: number,
    private readonly url: () => string,
  ) {
    this.store = this.open()
  }

  private open(): JobStore {
    const client = `device-${this.n}-${++this.tabs}`
    let ops = 0
    return new JobStore(JOB, {
      transport: shaky(this.url),
      queue: this.queue,
      client,
      who: () => `Technician ${this.n}`,
      newId: () => (this.lastId = `${client}-${++ops}`),
      now: () => new Date(),
      retryAfter: () => 60 + 200 * random(),
    })
  }

  async again(): Promise<void> {
    faults['tabs closed and opened']++
    // A tab that is closed within the frame of an edit is cut off by the browser itself; the page sees to that (`afterFrame`).
    await pause(10)
    this.store.close()
    this.store = this.open()
    await this.store.load()
  }

  /** A reading, a mark of its own, or a place that everybody is at. */
  edit(i: number): void {
    const when = new Date().toISOString()
    const dice = random()
    const op: Operation =
      dice < 0.3
        ? { kind: 'takeReading', reading: { ...READING, id: `r-${this.n}-${i}`, when } }
        : dice < 0.6
          ? {
              kind: 'markCard',
              card: `card-${this.n}-${i % 7}`,
              mark: { state: 'done', who: `${this.n}`, when },
            }
          : { kind: 'setSetting', ref: 'odt', setting: 'setpoint', value: 10 + Math.floor(35 * random()) }
    if (this.store.edit(op).ok) this.made.push({ opId: this.lastId, op })
  }
}
const READING = { kind: 'lineVolts', value: 240, place: 'disconnect', at: 'od', withBlower: null, instrument: 'multimeter', situation: { call: 'off', outdoorF: 47, modes: {} }, who: 'x', supersedes: null } as never as Extract<Operation, { kind: 'takeReading' }>['reading'] // prettier-ignore

async function main(): Promise<void> {
  const folder = join(tmpdir(), `gate-cross-storm-${process.pid}`)
  const cluster = await startCluster(folder)
  await prepareDatabase(cluster.url)
  const port = await freePort()
  let server = await startServer({ port, databaseUrl: cluster.url })
  try {
    const devices = Array.from({ length: DEVICES }, (_, n) => new Device(n, () => server.url))
    // The signal may fail at once; a device that has seen nothing yet tries until it has.
    await Promise.all(devices.map((d) => d.store.load()))
    for (const d of devices) while (!d.store.getView().job) await pause(50)
    const disasters = (async () => {
      for (let i = 0; i < 3; i++) {
        await pause(600 + 1500 * random())
        await server.kill()
        faults['server killed']++
        if (i === 1) {
          await cluster.kill()
          faults['database killed']++
          await cluster.start()
        }
        server = await startServer({ port, databaseUrl: cluster.url })
      }
    })()
    await Promise.all(
      devices.map(async (d) => {
        for (let i = 0; i < Math.ceil(EDITS / DEVICES); i++) {
          while (!d.store.getView().job) await pause(50)
          d.edit(i)
          if (random() < 0.06) await d.again()
          // Some look at what others did before they go on.
          if (random() < 0.3) d.store.hear(null)
          await pause(120 * random())
        }
      }),
    )
    await disasters
    const db = connect(cluster.url)
    const at = shopIn(db)
    for (const d of devices)
      for (let i = 0; i < 400 && d.store.getView().waiting > 0; i++) {
        void d.store.flush()
        await pause(50)
      }
    // Nobody tells them here what others did last: they ask until they have been answered.
    const newest = async () => (await getJob(at, JOB))!.version
    for (const d of devices)
      for (let i = 0; i < 100 && d.store.getView().version < (await newest()); i++) {
        d.store.hear(null)
        await pause(40)
      }

    const rows = await db.ops.findAll({ where: { jobId: JOB }, order: [['version', 'ASC']] })
    const log = rows.map((r) => ({ version: r.version, client: r.client, seen: r.seen ?? 0, op: r.op }))
    const aside: Envelope[] = devices.flatMap((d) => d.store.getView().conflicted.map((c) => c.envelope))
    const made = devices.reduce((n, d) => n + d.made.length, 0)
    const waiting = devices.reduce((n, d) => n + d.store.getView().waiting, 0)
    console.log(`  ${made} edits of ${DEVICES} devices; ${Object.entries(faults).map(([what, n]) => `${what} ${n}`).join(', ')}`) // prettier-ignore
    const ids = rows.map((r) => r.opId)
    expect(`none is in the log twice (${ids.length})`, new Set(ids).size === ids.length)
    expect('nothing waits any more', waiting === 0)
    // Of one box that is typed in on and on the last text is kept before its maker: earlier ones of it are replaced.
    const asked = aside.filter((e) => !ids.includes(e.opId)).length
    const lost = lostOf(devices, new Set([...ids, ...aside.map((e) => e.opId)]))
    for (const { opId, op } of lost) console.log(`  lost: ${opId} ${JSON.stringify(op)}`)
    expect(
      `all are in the log (${ids.length}), before their makers (${asked}), or replaced by their makers’ next (${made - ids.length - asked})`,
      lost.length === 0,
    )
    const readings = devices.flatMap((d) =>
      d.made.flatMap(({ op }) => (op.kind === 'takeReading' ? [op.reading.id] : [])),
    )
    const kept = new Set((await db.readings.findAll({ where: { jobId: JOB } })).map((r) => r.id))
    expect(
      `every reading is a row of its own (${readings.length})`,
      readings.every((r) => kept.has(r)),
    )
    const unseen = log.filter(
      (mine) =>
      log.some((theirs) => theirs.version < mine.version && theirs.version > mine.seen && theirs.client !== mine.client && clashAt(mine.op, theirs.op) !== null && !sameDevice(mine.client, theirs.client)), // prettier-ignore
    )
    expect(`none was overwritten by somebody who had not seen it (${unseen.length})`, unseen.length === 0)
    const now = await getJob(at, JOB)
    expect('every device shows what the server has', devices.every((d) => isDeepStrictEqual(d.store.getView().job, now!.job))) // prettier-ignore
    for (const d of devices) d.store.close()
    await db.sequelize.close()
  } finally {
    await server.stop()
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

const sameDevice = (a: string, b: string) => a.split('-')[1] === b.split('-')[1]
/** Edits of which no trace is left: neither in the log, nor before their maker, nor replaced by a later one of the same place. */
const lostOf = (devices: readonly Device[], kept: ReadonlySet<string>) =>
  devices.flatMap(({ made }) =>
    made.filter(
      ({ opId, op }, i) =>
        !kept.has(opId) && !made.slice(i + 1).some((later) => clashAt(op, later.op) !== null),
    ),
  )

void main()
