import { Op } from 'sequelize'
import { needsYou, statesOf, type Job, type JobKnown, type Summary } from '@/jobfile'
import { tellChange } from '../changes'
import { ENGINE } from '../engine'
import { fieldsOf } from '../models/job'
import { readingRow } from '../models/reading'
import { summaryAside } from '../proof/pool'
import type { Shop } from '../shop'
import { inTransaction } from '../transaction'
import { freshJob } from './held'
import { currentOf } from './list'
import { keepSnapshot } from './snapshots'

/** What the list shows of a job: worked out once for each revision and kept with the row. null: no such job. */
export async function summaryOf(at: Shop, id: string): Promise<Summary | null> {
  const { db, shop } = at
  const row = await db.jobs.findOne({
    where: { shop, id },
    attributes: ['version', 'summary', 'summaryVersion', 'engine'],
  })
  if (!row) return null
  const current = currentOf(row)
  if (current) return current
  const held = await freshJob(at, id)
  if (!held) return null
  const { version } = held
  const summary = await summaryAside(`${shop} ${id}`, { doc: held.doc, version, engine: ENGINE })
  const kept = {
    summary,
    summaryVersion: version,
    engine: ENGINE,
    states: statesOf(summary),
    urgent: needsYou(summary),
  }
  // Only if nobody has moved the job on in the meantime.
  await db.jobs.update(kept, { where: { shop, id, version } })
  return summary
}

/** What is known of a job without reading it, out of columns alone. null: no such job. */
export async function knownOf({ db, shop }: Shop, id: string): Promise<JobKnown | null> {
  const row = await db.jobs.findOne({
    where: { shop, id },
    attributes: ['title', 'owner', 'version', 'summary', 'summaryVersion', 'engine'],
  })
  return row && { title: row.title, owner: row.owner, verdict: currentOf(row)?.verdict ?? null }
}

export async function getJob(at: Shop, id: string): Promise<{ version: number; job: Job } | null> {
  const held = await freshJob(at, id)
  return held && { version: held.version, job: held.doc }
}

/** Takes a whole job in. With `copy`, a name that is taken gets a number; otherwise it is refused. */
export async function createJob(
  at: Shop,
  job: Job,
  copy: boolean,
): Promise<{ ok: true; id: string } | { ok: false; taken: string }> {
  const { db, shop } = at
  return inTransaction(db, async (transaction) => {
    let id = job.id
    const taken = await db.jobs.findAll({
      attributes: ['id'],
      where: { shop, id: { [Op.startsWith]: job.id } },
      transaction,
    })
    const ids = new Set(taken.map((t) => t.id))
    if (ids.has(id)) {
      if (!copy) return { ok: false, taken: id }
      for (let n = 2; ids.has(id); n++) id = `${job.id}-${n}`
    }
    const doc = { ...job, id }
    await db.jobs.create(
      { shop, id, version: 1, doc, docRev: 1, ...fieldsOf(doc), summary: null, updatedAt: new Date() },
      { transaction },
    )
    await keepSnapshot(at, id, 1, doc, transaction)
    await db.readings.bulkCreate(
      doc.readings.map((r) => readingRow(shop, id, r)),
      { transaction },
    )
    await tellChange(at, { id, version: 1 }, transaction)
    return { ok: true, id }
  })
}
