import { Op } from 'sequelize'
import { prove } from '@/core/laws'
import { judge, standing } from '@/core/startup'
import { installationOf, upgradeJob, type Job, type JobListEntry, type Summary } from '@/jobfile'
import { proofSentence } from '@/words'
import type { Database } from '../database'
import { readingRow } from '../models/reading'

/** Every job with its verdict. A verdict is worked out once for each version and kept with the row. */
export async function listJobs(db: Database): Promise<JobListEntry[]> {
  const rows = await db.jobs.findAll({ order: [['updatedAt', 'DESC']] })
  const entries: JobListEntry[] = []
  for (const row of rows) {
    let { summary } = row
    if (!summary || summary.version !== row.version) {
      summary = summarise(upgradeJob(row.doc), row.version)
      // Only if nobody has moved the job on in the meantime.
      await db.jobs.update({ summary }, { where: { id: row.id, version: row.version } })
    }
    const { id, title, site, note } = row.doc
    entries.push({
      id,
      title,
      address: site.address,
      owner: site.owner,
      note,
      updatedAt: row.updatedAt.toISOString(),
      summary,
    })
  }
  return entries
}

function summarise(job: Job, version: number): Summary {
  const inst = installationOf(job)
  const proof = prove(inst)
  const readings = standing(job.readings)
  return {
    version,
    verdict: proofSentence(proof),
    broken: proof.findings.length,
    undecided: proof.undecided.length,
    states: proof.solved,
    readings: readings.length,
    wrongReadings: readings.filter((r) => judge(inst, r, job.readings).verdict === 'wrong').length,
  }
}

export async function getJob(db: Database, id: string): Promise<{ version: number; job: Job } | null> {
  const row = await db.jobs.findByPk(id)
  return row && { version: row.version, job: upgradeJob(row.doc) }
}

/** Takes a whole job in. With `copy`, a name that is taken gets a number; otherwise it is refused. */
export async function createJob(
  db: Database,
  job: Job,
  copy: boolean,
): Promise<{ ok: true; id: string } | { ok: false; taken: string }> {
  return db.sequelize.transaction(async (transaction) => {
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
    await db.readings.bulkCreate(
      doc.readings.map((r) => readingRow(id, r)),
      { transaction },
    )
    return { ok: true, id }
  })
}
