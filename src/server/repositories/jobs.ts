import { LRUCache } from 'lru-cache'
import { Op, QueryTypes, UniqueConstraintError, type Transaction } from 'sequelize'
import {
  MOST_ID,
  needsYou,
  statesOf,
  type Deletion,
  type Job,
  type JobKnown,
  type JobProof,
  type Summary,
} from '@/jobfile'
import { tellChange } from '../changes'
import { ENGINE } from '../engine'
import { fieldsOf } from '../models/job'
import { readingRow } from '../models/reading'
import { provenAside } from '../threads/proofs'
import type { Shop } from '../shop'
import { inTransaction, inTurn } from '../transaction'
import { freshJob, keyOf } from './jobCache'
import { currentOf } from './list'
import { snapshotOfRow } from './snapshots'

/** The job's summary for the list, computed once for each revision and saved in its row; null for an unknown job. */
export async function summaryOf(at: Shop, id: string): Promise<Summary | null> {
  const { db, shop } = at
  const row = await db.jobs.findOne({
    where: { shop, id },
    attributes: ['version', 'summary', 'summaryVersion', 'engine'],
  })
  if (!row) return null
  return currentOf(row) ?? (await proven(at, id))?.summary ?? null
}

/** How many proofs are held, for who opens a job that was proven a moment ago. */
const MOST_HELD = 100
const holder = globalThis as typeof globalThis & { gateCrossWirings?: LRUCache<string, JobProof> }
const wirings = (): LRUCache<string, JobProof> =>
  (holder.gateCrossWirings ??= new LRUCache<string, JobProof>({ max: MOST_HELD }))

/** The proof of a job's wiring as it stands. null: no such job. */
export async function proofOf(at: Shop, id: string): Promise<JobProof | null> {
  const { db, shop } = at
  const known = wirings().get(keyOf(at, id))
  if (known) {
    const row = await db.jobs.findOne({ where: { shop, id }, attributes: ['version'] })
    if (row?.version === known.version) return known
  }
  return (await proven(at, id))?.wiring ?? null
}

/** Proves a job as it stands; what the list shows of it is kept with its row. */
async function proven(at: Shop, id: string): Promise<{ summary: Summary; wiring: JobProof } | null> {
  const { db, shop } = at
  const job = await freshJob(at, id)
  if (!job) return null
  const { version } = job
  const task = { doc: job.doc, version, engine: ENGINE }
  const { summary, wiring: proof } = await provenAside(keyOf(at, id), task)
  const wiring = { version, engine: ENGINE, proof }
  wirings().set(keyOf(at, id), wiring)
  const fields = {
    summary,
    summaryVersion: version,
    engine: ENGINE,
    states: statesOf(summary),
    urgent: needsYou(summary),
  }
  // Only if nobody has moved the job on in the meantime.
  await db.jobs.update(fields, { where: { shop, id, version } })
  return { summary, wiring }
}

/** A job's title, owner and last verdict, from columns alone; null for an unknown job. */
export async function knownOf({ db, shop }: Shop, id: string): Promise<JobKnown | null> {
  const row = await db.jobs.findOne({
    where: { shop, id },
    attributes: ['title', 'owner', 'version', 'summary', 'summaryVersion', 'engine'],
  })
  return row && { title: row.title, owner: row.owner, verdict: currentOf(row)?.verdict ?? null }
}

export async function getJob(
  at: Shop,
  id: string,
): Promise<{ version: number; job: Job; deleted: Deletion | null } | null> {
  const job = await freshJob(at, id)
  return job && { version: job.version, job: job.doc, deleted: job.deleted }
}

/** How often a free name is looked for where another server takes it first. */
const MOST_TRIES = 6

/** Takes a whole job in. With `copy`, a name that is taken gets a number; otherwise it is refused. */
export const createJob = (at: Shop, job: Job, copy: boolean): Promise<Created> =>
  inTurn(`${at.shop} new ${job.id}`, async () => {
    for (let tries = 1; ; tries++)
      try {
        return await insertJob(at, job, copy)
      } catch (e) {
        if (!(e instanceof UniqueConstraintError) || tries === MOST_TRIES) throw e
      }
  })

type Created = { ok: true; id: string } | { ok: false; taken: string }

/** A job's name with a number, cut so that it stays as short as a name must be. */
const numbered = (id: string, n: number): string => `${id.slice(0, MOST_ID - `-${n}`.length)}-${n}`

/** Names of jobs here that equal a job's name, or are it with a number. */
export async function namesLike(
  { db, shop }: Shop,
  id: string,
  transaction?: Transaction,
): Promise<string[]> {
  const rows = await db.jobs.findAll({
    attributes: ['id'],
    where: { shop, id: { [Op.startsWith]: id.slice(0, MOST_ID - 6) } },
    order: [['id', 'ASC']],
    ...(transaction ? { transaction } : {}),
  })
  const isLike = (name: string) =>
    name === id || name === numbered(id, Number(/-([1-9]\d*)$/.exec(name)?.[1]))
  return rows.map((r) => r.id).filter(isLike)
}

function insertJob(at: Shop, job: Job, copy: boolean): Promise<Created> {
  const { db, shop } = at
  return inTransaction(db, async (transaction) => {
    let id = job.id
    const ids = new Set(await namesLike(at, job.id, transaction))
    if (ids.has(id)) {
      if (!copy) return { ok: false, taken: id }
      for (let n = 2; ids.has(id); n++) id = numbered(job.id, n)
    }
    const doc = { ...job, id }
    await db.jobs.create(
      { shop, id, version: 1, doc, docRev: 1, ...fieldsOf(doc), summary: null, updatedAt: new Date() },
      { transaction, returning: false },
    )
    await snapshotOfRow(at, id, transaction)
    await db.sequelize.query(
      `INSERT INTO readings (shop, job_id, id, kind, value, who, taken_at, supersedes, doc)
       SELECT $1, $2, x.* FROM jsonb_to_recordset($3) AS x (id text, kind text, value double precision, who text,
         taken_at timestamptz, supersedes text, doc jsonb)`,
      {
        type: QueryTypes.INSERT,
        bind: [shop, id, JSON.stringify(doc.readings.map(readingRow))],
        transaction,
      },
    )
    await tellChange(at, { id, version: 1 }, transaction)
    return { ok: true, id }
  })
}
