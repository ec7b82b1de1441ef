import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Client } from 'pg'
import { QueryTypes } from 'sequelize'
import { formatJob, JOB_VERSION, shopText, type Envelope, type Job, type Operation } from '@/jobfile'
import {
  copyAt,
  createJob,
  getJob,
  historyOf,
  importShop,
  listJobs,
  moveJob,
  opsSince,
  purgeJobs,
  pushOps,
  shopFileOf,
  shopIn,
  summaryOf,
  type Listed,
  type Shop,
} from '@/server'

import { forgetJob } from '@/server/repositories/jobCache'
import { backUp, contentOf, manifestOf, postgres } from '../../scripts/lib/backup.mjs'
import { prepareDatabase } from '../../scripts/lib/serve.mjs'

type Expect = (what: string, got: unknown, wanted: unknown) => void

const ASKED: Listed = { shelf: 'here', text: '', state: 'all', order: 'street', from: 0, most: 100 }
let n = 0
const edit = (seen: number, op: Operation, client = 'shop'): Envelope => ({
  opId: `shop-${++n}`,
  client,
  who: `${client}'s`,
  at: '2026-11-27T08:00:00.000Z',
  docVersion: JOB_VERSION,
  seen,
  op,
})
const feet = (value: number, cable = 'c1'): Operation => ({ kind: 'setCableFeet', cable, feet: value })

/** What another server of the same database does: it tells this one nothing but through the database. */
async function elsewhere({ db, shop }: Shop, jobId: string, expected: number, op: Operation): Promise<void> {
  const e = edit(expected, op, 'elsewhere')
  const row = { op_id: e.opId, version: expected + 1, base_version: expected, client: e.client, who: e.who, made_at: e.at, doc_version: e.docVersion, seen: e.seen, op } // prettier-ignore
  await db.sequelize.query('SELECT * FROM append_ops($1, $2, $3, $4::jsonb, $5::jsonb, NULL, NULL)', {
    type: QueryTypes.SELECT,
    bind: [shop, jobId, expected, JSON.stringify([row]), '[]'],
  })
}

/** A job as a server reads it that has not seen it yet. */
async function elsewhereHeld(at: Shop, id: string): Promise<Job | undefined> {
  forgetJob(at, id)
  return (await getJob(at, id))?.job
}

/** Several servers on one database, the list out of columns, shelves, history, and shops that share a database. */
export async function shopTests(
  at: Shop,
  job: Job,
  url: string,
  folder: string,
  expect: Expect,
): Promise<void> {
  const id = 'shop-job'
  await createJob(at, { ...job, id, title: '9 Reedmace 100%_Lane', site: { ...job.site, address: '9 Reedmace Lane' } }, false) // prettier-ignore

  const listener = new Client({ connectionString: url })
  const heard: string[] = []
  await listener.connect()
  await listener.query('LISTEN gate_cross_jobs')
  listener.on('notification', ({ payload }) => heard.push(payload ?? ''))

  const push = async (...ops: Envelope[]) => (await pushOps(at, id, { base: 1, ops }))!
  await push(edit(1, feet(11)))
  await elsewhere(at, id, 2, feet(22, 'c2'))
  const merged = await push(edit(2, feet(12)))
  expect('what another server did meanwhile is taken up before an edit is', [merged.version, merged.results[0]!.outcome], [4, 'applied']) // prettier-ignore
  expect('and told to whoever has not seen it', merged.others.map((o) => o.client), ['shop', 'elsewhere']) // prettier-ignore
  await elsewhere(at, id, 4, feet(33))
  expect('a place that was changed over there is not overwritten', (await push(edit(4, feet(13)))).results[0]!.outcome, 'stale') // prettier-ignore
  const now = (await getJob(at, id))!
  expect('both servers show the same', now.job.cables.slice(0, 2).map((c) => c.feet), [33, 22]) // prettier-ignore
  expect('every save is told, with whose it is', heard.map((h) => JSON.parse(h) as unknown), [2, 3, 4, 5].map((version) => ({ shop: at.shop, id, version }))) // prettier-ignore
  await listener.end()

  await fileTests(at, job, expect)
  const later = await opsSince(at, id, 2)
  expect('what came since is told one by one', [later!.version, later!.ops!.length], [5, 3])
  expect('nothing, where nothing came', (await opsSince(at, id, 5))!.ops, [])

  // The document is written now and then; the log has the rest.
  for (let i = 0; i < 27; i++) await push(edit(5 + i, feet(100 + i)))
  const many = (await createJob(at, { ...job, id: 'many-edits' }, true)) as { id: string }
  for (let i = 0; i < 210; i++) await pushOps(at, many.id, { base: 1 + i, ops: [edit(1 + i, feet(i))] })
  const often = (await at.db.jobs.findOne({ where: { shop: at.shop, id: many.id } }))!
  expect('the document is written every 200 revisions', [often.version, often.docRev, often.doc.cables[0]!.feet], [211, 201, 199]) // prettier-ignore
  expect('and read with the rest of its log by who has not seen it', (await elsewhereHeld(at, many.id))!.cables[0]!.feet, 209) // prettier-ignore
  const row = (await at.db.jobs.findOne({ where: { shop: at.shop, id } }))!
  expect('the document lags behind its log', [row.version, row.docRev], [32, 1])
  expect('and is read with it', (await getJob(at, id))!.job.cables[0]!.feet, 126)
  expect('of which its row knows nothing yet', row.doc.cables[0]!.feet !== 126, true)

  await push(edit(32, { kind: 'setField', field: 'site.owner', value: 'Teasel Marlowe' }))
  const found = async (asked: Partial<Listed>) =>
    (await listJobs(at, { ...ASKED, ...asked })).jobs.map((j) => j.id)
  expect('the list finds an owner as soon as the edit is there', await found({ text: 'MARLOWE reedmace' }), [id]) // prettier-ignore
  expect('signs that mean something to the database mean nothing', [await found({ text: '100%_' }), await found({ text: '1%_' })], [[id], []]) // prettier-ignore
  expect('a job that is not proven is in no state', await found({ text: 'reedmace', state: 'toPutBack' }), []) // prettier-ignore
  const summary = (await summaryOf(at, id))!
  const state = summary.broken ? 'broken' : summary.toPutBack ? 'toPutBack' : 'needsReading'
  expect('and is in its own as soon as it is', (await found({ text: 'reedmace', state })).length, summary.broken || summary.toPutBack || !summary.readings ? 1 : 0) // prettier-ignore

  expect('put away, it is on that shelf alone', [await moveJob(at, id, 'archived', 'Wren'), await found({ text: 'reedmace' }), await found({ text: 'reedmace', shelf: 'archived' })], [true, [], [id]]) // prettier-ignore
  expect('one that is not here cannot be moved', await moveJob(at, 'nobody', 'deleted', 'Wren'), false)
  await moveJob(at, id, 'deleted', 'Wren Hollis')
  const gone = (await listJobs(at, { ...ASKED, shelf: 'deleted' })).jobs[0]!
  expect('deleted, it says by whom and until when', [gone.deleted!.by, Math.round((Date.parse(gone.deleted!.goes) - Date.now()) / 86_400_000)], ['Wren Hollis', 30]) // prettier-ignore
  expect('an edit from a device that did not know is kept', (await push(edit(33, feet(55)))).results[0]!.outcome, 'applied') // prettier-ignore

  // Deleted three weeks ago, and edited a moment ago.
  const longAgo = new Date(Date.now() - 20 * 86_400_000)
  await at.db.jobs.update({ deletedAt: longAgo }, { where: { shop: at.shop, id } })
  const days = (goes: string) => Math.round((Date.parse(goes) - Date.now()) / 86_400_000)
  const told = (await opsSince(at, id, 34))!.deleted
  expect('who has it open is told, and that the edit counts as use', [told?.by, days(told!.goes), (await getJob(at, id))!.deleted?.by], ['Wren Hollis', 30, 'Wren Hollis']) // prettier-ignore
  expect('so it stays for 30 more days', await purgeJobs(at, new Date(longAgo.getTime() + 35 * 86_400_000)), 0) // prettier-ignore

  const history = (await historyOf(at, id, null))!
  expect('the history has every edit, the newest first', [history.edits[0]!.op, history.edits.length, history.more], [feet(55), 33, false]) // prettier-ignore
  expect('and what came before one', (await historyOf(at, id, 3))!.edits.map((e) => [e.version, e.who]), [[2, "shop's"]]) // prettier-ignore
  const copy = (await copyAt(at, id, 4))!
  const past = (await getJob(at, copy))!.job
  expect('a copy is the job as it was', [past.cables[0]!.feet, past.cables[1]!.feet, past.site.owner], [12, 22, job.site.owner]) // prettier-ignore
  expect('there is none of a revision that never was', await copyAt(at, id, 99), null)

  expect('what was deleted a moment ago stays', await purgeJobs(at, new Date()), 0)
  const inAMonth = new Date(Date.now() + 31 * 86_400_000)
  expect('after a month it goes', [await purgeJobs(at, inAMonth), await getJob(at, id)], [1, null])
  expect('with its readings, and no other', [await at.db.readings.count({ where: { jobId: id } }), (await at.db.readings.count({ where: { jobId: copy } })) > 0], [0, true]) // prettier-ignore
  const refused = await at.db.readings.destroy({ where: { jobId: copy } }).then(
    () => false,
    (e: Error) => e.message.includes('append-only'),
  )
  expect('readings of others still refuse to go', refused, true)

  await backupTests(at, job, url, folder, expect)

  const other = { ...shopIn(at.db), shop: 'another' }
  await createJob(other, { ...job, id: copy }, false)
  await pushOps(other, copy, { base: 1, ops: [edit(1, feet(77))] })
  expect('two shops have a job of one name, each its own', [(await getJob(other, copy))!.job.cables[0]!.feet, (await getJob(at, copy))!.job.cables[0]!.feet], [77, 12]) // prettier-ignore
  expect(
    'and each its list',
    (await listJobs(other, ASKED)).jobs.map((j) => j.id),
    [copy],
  )
}

/** What the commands write and bring back. */
async function backupTests(at: Shop, job: Job, url: string, folder: string, expect: Expect): Promise<void> {
  const file = join(folder, 'all.dump')
  // The shop goes on saving meanwhile: the file has what stood there at one instant.
  let [saves, goes] = [0, true]
  const id = 'busy'
  await createJob(at, { ...job, id }, false)
  const busy = (async () => {
    const { version } = (await getJob(at, id))!
    for (; goes; saves++)
      await pushOps(at, id, { base: version, ops: [edit(version, feet(20 + (saves % 60)))] })
  })()
  const taken = await backUp(url, file).then(() => 'proven', (e: unknown) => String(e)) // prettier-ignore
  goes = false
  await busy
  expect('a backup is proven while the shop works', [taken, saves > 10], ['proven', true])
  expect('and its owner alone can read it', statSync(file).mode & 0o777, 0o600)
  const manifest = JSON.parse(readFileSync(manifestOf(file), 'utf8')) as Record<string, unknown>
  const sum = createHash('sha256').update(readFileSync(file)).digest('hex')
  const jobs = (manifest.content as string[]).find((line) => line.startsWith('jobs|'))!.split('|')[1]
  expect('its manifest has release, schema, counts and sum', [manifest.release, manifest.schema, jobs, manifest.sha256 === sum], ['0.1.0', '0005-clocks', String(await at.db.jobs.count()), true]) // prettier-ignore
  const before = (await contentOf(url)) as string
  expect('a backup, restored beside, has what is there', await backUp(url, file), before)
  await postgres('psql', url, '-qc', "UPDATE jobs SET title = 'Written over'")
  expect('what changes in between shows', (await contentOf(url)) === before, false)
  const root = join(__dirname, '../..')
  const env = { ...process.env, DATABASE_URL: url, GATE_CROSS_DATA: join(folder, 'data') }
  const restore = (from: string) =>
    spawnSync(process.execPath, [join(root, 'scripts/restore.mjs'), from], { env, encoding: 'utf8' })
  const done = restore(file)
  expect('the command brings all of it back', [done.status, (await contentOf(url)) === before], [0, true]) // prettier-ignore
  expect('and keeps what was there before', /before-restore-.*\.dump/.test(done.stdout), true)
  // A file from anywhere: its rows come, and nothing that it says is done.
  const evil = new URL(url)
  evil.pathname = '/evil'
  // A place that the database's own user can write to.
  const sign = join(tmpdir(), `gate-cross-sign-${process.pid}`)
  await postgres('psql', url, '-qc', 'CREATE DATABASE evil')
  await prepareDatabase(evil.toString(), { demo: false })
  await postgres('psql', evil.toString(), '-qc', `CREATE FUNCTION bite() RETURNS int LANGUAGE plpgsql AS $$ BEGIN COPY (SELECT 1) TO PROGRAM 'touch ${sign}'; RETURN 1; END $$`) // prettier-ignore
  await postgres(
    'psql',
    evil.toString(),
    '-qc',
    'CREATE MATERIALIZED VIEW trap AS SELECT bite() WITH NO DATA',
  )
  await postgres('psql', evil.toString(), '-qc', "INSERT INTO library_devices (shop, id, doc, updated_at) VALUES ('here', 'own-evil', '{}', now())") // prettier-ignore
  await postgres('psql', evil.toString(), '-qc', 'REFRESH MATERIALIZED VIEW trap')
  const bit = existsSync(sign)
  rmSync(sign, { force: true })
  const foreign = join(folder, 'foreign.dump')
  await postgres('pg_dump', evil.toString(), '-Fc', '-f', foreign)
  const brought = restore(foreign)
  expect('the rows of a foreign file come, and its commands do not', [bit, brought.status, existsSync(sign), ((await contentOf(url)) as string).includes('library_devices|1|')], [true, 0, false, true]) // prettier-ignore
  await postgres('psql', evil.toString(), '-qc', "INSERT INTO schema_migrations VALUES ('m9999Later')")
  await postgres('pg_dump', evil.toString(), '-Fc', '-f', foreign)
  const newer = restore(foreign)
  expect('a backup of a newer release is refused with words', [newer.status, /comes from a newer Gate Cross/.test(newer.stderr)], [1, true]) // prettier-ignore
  expect('and nothing is left of the trial', (await postgres('psql', url, '-Atc', "SELECT datname FROM pg_database WHERE datname ~ 'gate_cross_check' UNION SELECT rolname FROM pg_roles WHERE rolname ~ 'gate_cross_reader'")), '') // prettier-ignore
  await postgres('psql', url, '-qc', 'DROP DATABASE evil WITH (FORCE)')
  expect('what was there before is brought back', [restore(file).status, (await contentOf(url)) === before], [0, true]) // prettier-ignore
  const bytes = readFileSync(file)
  writeFileSync(file, bytes.subarray(0, bytes.length - 7))
  const short = restore(file)
  expect('a damaged file is refused before anything is done', [short.status, /damaged/.test(short.stderr)], [1, true]) // prettier-ignore
  writeFileSync(file, bytes)
  rmSync(manifestOf(file))
  expect('one of an earlier release has no manifest, and is taken', restore(file).status, 0)
  const nothing = restore(join(folder, 'nothing.dump'))
  expect('a file that is none is said in a sentence', [nothing.status, /name a file/.test(nothing.stderr)], [1, true]) // prettier-ignore
}

/** The file of a whole shop, exported and imported: item by item, again and again, and with some of it wrong. */
async function fileTests(at: Shop, job: Job, expect: Expect): Promise<void> {
  const other: Shop = { ...at, shop: 'taker' }
  async function* bytes(text: string): AsyncGenerator<Uint8Array> {
    const all = new TextEncoder().encode(text)
    for (let i = 0; i < all.length; i += 65_536) yield all.subarray(i, i + 65_536)
  }
  const take = async (text: string, copies = false) => {
    const { items, problem } = await importShop(other, bytes(text), copies)
    return { became: items.map((i) => `${i.id} ${i.outcome}`), problem: problem?.path ?? null, items }
  }
  // Larger than what is read at once, so that a thread reads it.
  const large = { ...job, id: 'large', note: 'n'.repeat(2000), readings: manyReadings(job, 900) }
  const text = [...shopText([{ ...job, id: 'one' }, large, { ...job, id: 'two', title: 7 as never }, { ...job, id: 'three' }].map((j) => formatJob(j)), [])].join('') // prettier-ignore
  const first = await take(text.slice(0, -40))
  expect('what was whole before a break is imported', [first.became, first.problem !== null], [['one imported', 'large imported', ' refused'], true]) // prettier-ignore
  expect('one wrong job is named, and spoils nothing', first.items[2]!.problems!.map((p) => p.path), ['title']) // prettier-ignore
  expect('the same file goes on where it broke off', (await take(text)).became, ['one known', 'large known', ' refused', 'three imported']) // prettier-ignore
  await pushOps(other, 'one', { base: 1, ops: [edit(1, feet(77), 'taker')] })
  const again = await take(text)
  expect('what was changed here since is not overwritten, nor copied unasked', again.became, ['one differs', 'large known', ' refused', 'three known']) // prettier-ignore
  expect('asked for, it is a copy', (await take(text, true)).became[0], 'one-2 imported')
  expect('and one copy, however often it is asked for', (await take(text, true)).became[0], 'one-2 known')
  await moveJob(other, 'three', 'deleted', 'x')
  expect('a deleted one is said to be deleted', (await take(text)).became[3], 'three deleted')

  let exported = ''
  for await (const piece of shopFileOf(other)) exported += piece
  expect('what is exported is known again, all of it', (await take(exported)).became, ['large known', 'one known', 'one-2 known']) // prettier-ignore
}

/** Readings of a job, so many that the file is large. */
function manyReadings(job: Job, many: number): Job['readings'] {
  const one = job.readings[0]!
  return Array.from({ length: many }, (_, i) => ({ ...one, id: `many-${i}` }))
}
