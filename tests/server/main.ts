import { readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { rmSync } from 'node:fs'
import { apply, checkJob, JOB_VERSION, storedJob, type Envelope, type Job, type Operation } from '@/jobfile'
import {
  allDevices,
  awayProblem,
  unfitProblem,
  closeProofs,
  closeReading,
  connect,
  provenAside,
  proofOf,
  copyAt,
  createJob,
  getJob,
  healthOf,
  migrate,
  pushOps,
  shopIn,
  summaryOf,
} from '@/server'
import { monitorEventLoopDelay } from 'node:perf_hooks'
import { proveJob } from '@/server/threads/proveJob'
import { shopTests } from './shop'
import { startCluster } from '../../scripts/lib/postgres.mjs'
import { buildThreads } from '../../scripts/lib/prepare.mjs'

/** The push route's repository against a real PostgreSQL: what is applied, what clashes, what is replayed. */
let failed = 0
let passed = 0
/** The database keeps no order of keys. */
const sorted = (v: unknown): unknown =>
  Array.isArray(v)
    ? v.map(sorted)
    : typeof v === 'object' && v !== null
      ? Object.fromEntries(
          Object.entries(v)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([k, x]) => [k, sorted(x)]),
        )
      : v

function expect(what: string, got: unknown, wanted: unknown): void {
  const same = JSON.stringify(sorted(got)) === JSON.stringify(sorted(wanted))
  if (same) passed++
  else failed++
  console.log(
    `  ${same ? 'ok  ' : 'FAIL'} ${what}${same ? '' : `: ${JSON.stringify(got)}, wanted ${JSON.stringify(wanted)}`}`,
  )
}

const root = join(__dirname, '../..')
const read = (file: string) => JSON.parse(readFileSync(join(root, file), 'utf8')) as Job
let n = 0
const envelope = (client: string, seen: number, op: Operation): Envelope => ({
  opId: `op-${++n}`,
  client,
  who: client,
  at: '2026-11-26T08:00:00.000Z',
  docVersion: JOB_VERSION,
  seen,
  op,
})
const setpoint = (value: number): Operation => ({
  kind: 'setSetting',
  ref: 'odt',
  setting: 'setpoint',
  value,
})
const feet = (value: number): Operation => ({ kind: 'setCableFeet', cable: 'c1', feet: value })

async function main(): Promise<void> {
  const folder = join(tmpdir(), `gate-cross-server-${process.pid}`)
  const cluster = await startCluster(folder)
  const db = connect(cluster.url)
  const at = shopIn(db)
  const { shop } = at
  await buildThreads()
  try {
    expect('the schema is made', (await migrate(db.sequelize)).ok, true)
    const job = read('demo/jobs/quillfeather-lane.json')
    await createJob(at, job, false)
    const push = async (...ops: Envelope[]) => (await pushOps(at, job.id, { base: 1, ops }))!
    const outcomes = async (...ops: Envelope[]) => (await push(...ops)).results.map((r) => r.outcome)

    const first = envelope('a', 1, setpoint(30))
    expect('an edit is applied', await outcomes(first), ['applied'])
    expect('and once, however often it is sent', await outcomes(first), ['alreadyThere'])
    expect('another place merges', await outcomes(envelope('b', 1, feet(70))), ['applied'])
    const stale = (await push(envelope('b', 1, setpoint(44)))).results[0]!
    expect('the same place, seen before the other’s edit, is stale', stale.outcome, 'stale')
    expect('at its path', 'path' in stale && stale.path, 'placed.odt.settings.setpoint')
    expect(
      'and is not applied',
      (await getJob(at, job.id))!.job.placed.find((p) => p.ref === 'odt')!.settings,
      {
        setpoint: 30,
      },
    )
    // The request's base is newer than what the maker of the edit had seen: what counts is what was seen.
    const late = await pushOps(at, job.id, { base: 3, ops: [envelope('b', 1, setpoint(44))] })
    expect('what was seen counts, not when it was sent', late!.results[0]!.outcome, 'stale')
    expect('once theirs was seen it is applied', await outcomes(envelope('b', 3, setpoint(44))), ['applied'])

    const before = (await getJob(at, job.id))!
    const half: Operation = { kind: 'batch', ops: [feet(90), setpoint(900)] as never }
    expect('a batch of which one is refused is refused whole', await outcomes(envelope('a', 4, half)), [
      'refused',
    ])
    expect('and leaves the document as it was', (await getJob(at, job.id))!, before)
    const whole: Operation = { kind: 'batch', ops: [feet(90), setpoint(35)] as never }
    expect('a batch is one edit of the log', await outcomes(envelope('a', 4, whole)), ['applied'])
    expect('and one version', (await getJob(at, job.id))!.version, before.version + 1)

    const reading = { ...job.readings[0]!, id: 'r-batch', supersedes: null }
    const readings: Operation = { kind: 'batch', ops: [feet(91), { kind: 'takeReading', reading }] as never }
    await push(envelope('a', 5, readings))
    expect('a reading inside a batch is a row', await db.readings.count({ where: { id: 'r-batch' } }), 1)

    expect('a job that is not here is none', await pushOps(at, 'nobody', { base: 1, ops: [] }), null)

    await push(envelope('c', 6, feet(94)), envelope('c', 6, feet(95)))
    const newest = (await push(envelope('d', 6, feet(96)))).results[0]!
    expect('a clash shows the newest of theirs', 'theirs' in newest && newest.theirs.op, feet(95))

    // What the database never takes is no reason to send it again and again. The schema at the door refuses this one too.
    const poison: Operation = { kind: 'setField', field: 'site.owner', value: 'a\0b' }
    const thrown: unknown = await push(envelope('a', 6, poison)).catch((e: unknown) => e)
    expect('a value that cannot be saved is refused with its reason', [/22P05/.test(unfitProblem(thrown)?.expected ?? ''), awayProblem(thrown)], [true, null]) // prettier-ignore
    const [bad, neighbour] = await Promise.allSettled([
      push(envelope('a', 6, poison)),
      push(envelope('c', 8, feet(92))),
    ])
    expect('it takes no neighbour in the line along', [bad.status, neighbour.status === 'fulfilled' && neighbour.value.results[0]!.outcome], ['rejected', 'applied']) // prettier-ignore
    expect('and the next edit is saved', await outcomes(envelope('c', 8, feet(93))), ['applied'])

    const long = { ...job, id: 'x'.repeat(64), title: 't'.repeat(110) }
    const names = await Promise.all(Array.from({ length: 8 }, () => createJob(at, long, true)))
    const ids = names.map((made) => (made.ok ? made.id : made.taken))
    expect('eight imports of one name at once are eight jobs', [new Set(ids).size, names.every((m) => m.ok)], [8, true]) // prettier-ignore
    expect(
      'each with a name that is short enough',
      ids.every((i) => i.length <= 64),
      true,
    )
    const twice = await Promise.all([1, 2].map(() => createJob(at, { ...job, id: 'once' }, false)))
    expect('without a copy one is taken and the other told', twice.map((m) => m.ok).sort(), [false, true])
    const copied = (await copyAt(at, ids[0]!, 1))!
    expect('a copy of a long title is a job that can be read', checkJob((await getJob(at, copied))!.job).ok, true) // prettier-ignore

    // The log, replayed from the snapshot, is the document.
    const snapshot = (await db.snapshots.findOne({ where: { jobId: job.id } }))!
    const log = await db.ops.findAll({ where: { jobId: job.id }, order: [['version', 'ASC']] })
    const replayed = log.reduce((doc, o) => {
      const next = apply(doc, o.op)
      if (!next.ok) throw new Error(`op ${o.opId} does not apply`)
      return next.value
    }, storedJob(snapshot.doc))
    const now = (await getJob(at, job.id))!
    expect('the log replays to the document', replayed, now.job)

    // A job and its log of an older version.
    const old = read('tests/fixtures/versions/job-v2.json')
    await db.jobs.create({
      shop,
      id: old.id,
      version: 7,
      doc: old,
      docRev: 7,
      title: old.title,
      address: '',
      owner: '',
      note: '',
      summary: null,
      updatedAt: new Date(),
    })
    await db.ops.create({
      shop, opId: 'old-1', jobId: old.id, version: 7, baseVersion: 6, client: 'x', who: 'x', madeAt: 'x',
      docVersion: 2, seen: null, op: { kind: 'answer', question: 'priceKwh', answer: '0.14' } as never,
    }) // prettier-ignore
    expect('an older document is read as one of today', (await getJob(at, old.id))!.job.version, JOB_VERSION)
    const clash = await pushOps(at, old.id, {
      base: 6,
      ops: [envelope('y', 6, { kind: 'setPrice', of: 'kwh', value: 0.2 })],
    })
    expect('an older operation of the log clashes as one of today', clash!.results[0]!.outcome, 'stale')
    await pushOps(at, old.id, {
      base: 7,
      ops: [envelope('y', 7, { kind: 'setPrice', of: 'kwh', value: 0.2 })],
    })
    const step = await db.snapshots.findAll({ where: { jobId: old.id } })
    expect(
      'the version step wrote a snapshot first',
      step.map((s) => [s.version, s.docVersion]),
      [[7, JOB_VERSION]],
    )
    expect('as it was', storedJob(step[0]!.doc).prices, { fuel: 1.1, kwh: 0.14 })
    expect('and the edit stands after it', (await getJob(at, old.id))!.job.prices, { fuel: 1.1, kwh: 0.2 })

    await shopTests(at, job, cluster.url, folder, expect)

    const device = JSON.parse(
      readFileSync(join(root, 'tests/fixtures/versions/device-v1.json'), 'utf8'),
    ) as never
    await db.devices.create({ shop, id: 'own-old', doc: device, updatedAt: new Date() })
    const listed = (await allDevices(at)).devices
    expect('every device of the list is one of today', [...new Set(listed.map((d) => d.version))], [2])

    // A save that never ends holds one job's row: everybody else's goes on, and what waited says what for and is not lost.
    const held = await db.sequelize.transaction()
    await db.jobs.findOne({ where: { shop, id: job.id }, transaction: held, lock: held.LOCK.UPDATE })
    const from = Date.now()
    const seconds = () => Math.round((Date.now() - from) / 1000)
    const queued = Array.from({ length: 20 }, () => envelope('stuck', now.version, feet(61)))
    const waiting = queued.map((e) =>
      pushOps(at, job.id, { base: now.version, ops: [e] }).then(
        () => 'saved',
        (e: unknown) => awayProblem(e)?.expected ?? String(e),
      ),
    )
    const other = (await getJob(at, old.id))!
    const quick = await pushOps(at, old.id, {
      base: other.version,
      ops: [envelope('z', other.version, { kind: 'setPrice', of: 'fuel', value: 1.3 })],
    })
    expect('another job is saved meanwhile', [quick!.results[0]!.outcome, seconds() <= 1], ['applied', true])
    expect('what waits gives up and says for what', [...new Set(await Promise.all(waiting))], [
      'the row to be free; somebody else’s save still holds it',
    ]) // prettier-ignore
    expect('within the seconds of a turn', seconds() <= 12, true)
    await held.rollback()
    const again = await pushOps(at, job.id, { base: now.version, ops: queued })
    expect('and sent again it is saved', [...new Set(again!.results.map((r) => r.outcome))], ['applied'])
    const after = (await getJob(at, job.id))!
    expect('each once', after.version - now.version, queued.length)

    expect('a verdict is worked out and kept', (await summaryOf(at, job.id))!.version, after.version)
    expect('as it is proven here', (await summaryOf(at, job.id))!.verdict, proveJob({ doc: after.job, version: 1, engine: '' }).summary.verdict) // prettier-ignore

    const known = await proofOf(at, job.id)
    expect('its proof is at hand for who opens it', [known!.version, known!.proof], [after.version, proveJob({ doc: after.job, version: 1, engine: '' }).wiring]) // prettier-ignore
    expect('and there is none of a job that is not there', await proofOf(at, 'nowhere'), null)

    const { ok, connections, proofs } = await healthOf(db)
    expect('its health says what stands in line', [ok, connections.open > 0, connections.waiting, proofs], [true, true, 0, 0]) // prettier-ignore

    // Proofs run aside: the server answers meanwhile, and one that is given up takes no other along.
    const task = { doc: after.job, version: 99, engine: '' }
    const delays = monitorEventLoopDelay({ resolution: 5 })
    delays.enable()
    const many = await Promise.all(Array.from({ length: 12 }, (_, i) => provenAside(`job-${i}`, task)))
    delays.disable()
    expect('twelve proofs agree', new Set(many.map((s) => s.summary.verdict)).size, 1)
    // A ratio of this run: what one proof takes where it is made, against what anybody else waited while twelve were.
    const start = performance.now()
    proveJob(task)
    const alone = performance.now() - start
    const waited = delays.percentile(99) / 1e6
    console.log(
      `  one proof ${alone.toFixed(0)} ms; the event loop while twelve ran: p99 ${waited.toFixed(1)} ms`,
    )
    expect('and nobody waits for one meanwhile', waited < alone, true)
    // A limit that is shorter than the line: what waits its turn is not given up for waiting.
    const inLine = await Promise.all(
      Array.from({ length: 12 }, (_, i) => provenAside(`inLine-${i}`, task, Math.ceil(5 * alone))),
    )
    expect(
      'time in line is not its own',
      inLine.filter((s) => s.summary.verdict !== many[0]!.summary.verdict).length,
      0,
    )
    const [tooLong, fine, broken] = await Promise.all([
      provenAside('late', { ...task, version: 100 }, 1),
      provenAside('fine', { ...task, version: 101 }),
      provenAside('broken', { ...task, doc: { placed: 'nonsense' } }),
    ])
    expect('one that takes too long says so', tooLong.summary.verdict, 'Not proven: it took longer than 0.001 s. Open the job for what makes it so large.') // prettier-ignore
    expect(
      'one that fails says so',
      /^Not proven: Gate Cross itself failed/.test(broken.summary.verdict),
      true,
    )
    expect('and the one between them is proven', fine.summary.verdict, many[0]!.summary.verdict)
    console.log(`${passed} passed, ${failed} failed`)
  } finally {
    await Promise.all([closeProofs(), closeReading()])
    await db.sequelize.close()
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  process.exitCode = failed ? 1 : 0
}

void main()
