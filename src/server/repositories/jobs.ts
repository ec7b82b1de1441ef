import { Op } from 'sequelize'
import { storedJob, type Job, type JobListEntry, type Summary } from '@/jobfile'
import type { Database } from '../database'
import { readingRow } from '../models/reading'
import { summaryAside } from '../proof/pool'
import { inTransaction } from '../transaction'
import { keepSnapshot } from './snapshots'

/** What names the rules and words of this build: `scripts` works it out from their source. */
const ENGINE = process.env.GATE_CROSS_ENGINE ?? ''

const isCurrent = (summary: Summary | null, version: number): summary is Summary =>
  summary?.version === version && summary.engine === ENGINE

/** Every job as it was last proven. The list waits for no proof: who shows it asks for those that are missing. */
export async function listJobs(db: Database): Promise<JobListEntry[]> {
  const rows = await db.jobs.findAll({ order: [['updatedAt', 'DESC']] })
  return rows.map(({ doc: { id, title, site, note }, version, summary, updatedAt }) => ({
    id,
    title,
    address: site.address,
    owner: site.owner,
    note,
    updatedAt: updatedAt.toISOString(),
    version,
    summary: isCurrent(summary, version) ? summary : null,
  }))
}

/** What the list shows of a job: worked out once for each version and kept with the row. null: no such job. */
export async function summaryOf(db: Database, id: string): Promise<Summary | null> {
  const row = await db.jobs.findByPk(id)
  if (!row) return null
  const { version } = row
  if (isCurrent(row.summary, version)) return row.summary
  const summary = await summaryAside(id, { doc: row.doc, version, engine: ENGINE })
  // Only if nobody has moved the job on in the meantime.
  await db.jobs.update({ summary }, { where: { id, version } })
  return summary
}

export async function getJob(db: Database, id: string): Promise<{ version: number; job: Job } | null> {
  const row = await db.jobs.findByPk(id)
  return row && { version: row.version, job: storedJob(row.doc) }
}

/** Takes a whole job in. With `copy`, a name that is taken gets a number; otherwise it is refused. */
export async function createJob(
  db: Database,
  job: Job,
  copy: boolean,
): Promise<{ ok: true; id: string } | { ok: false; taken: string }> {
  return inTransaction(db, async (transaction) => {
    let id = job.id
    const taken = await db.jobs.findAll({
      attributes: ['id'],
      where: { id: { [Op.startsWith]: job.id } },
      transaction,
    })
    const ids = new Set(taken.map((t) => t.id))
    if (ids.has(id)) {
      if (!copy) return { ok: false, taken: id }
      for (let n = 2; ids.has(id); n++) id = `${job.id}-${n}`
    }
    const doc = { ...job, id }
    await db.jobs.create({ id, version: 1, doc, summary: null, updatedAt: new Date() }, { transaction })
    await keepSnapshot(db, id, 1, doc, transaction)
    await db.readings.bulkCreate(
      doc.readings.map((r) => readingRow(id, r)),
      { transaction },
    )
    return { ok: true, id }
  })
}
