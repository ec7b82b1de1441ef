import type { Shelf } from '@/jobfile'
import { tellChange } from '../changes'
import type { Shop } from '../shop'
import { inTransaction } from '../transaction'
import { isGone } from './deletion'
import { forgetJob } from './jobCache'

/** Puts a job away, deletes it, or brings it back; false: there is none of that name. Its edits are taken wherever it stands. */
export async function moveJob(at: Shop, id: string, to: Shelf, who: string): Promise<boolean> {
  const { db, shop } = at
  return inTransaction(db, async (transaction) => {
    const change = {
      archivedAt: to === 'archived' ? new Date() : null,
      deletedAt: to === 'deleted' ? new Date() : null,
      deletedBy: to === 'deleted' ? who : null,
    }
    const [count, rows] = await db.jobs.update(change, {
      where: { shop, id },
      returning: ['version'],
      transaction,
    })
    if (count) await tellChange(at, { id, version: rows[0]?.version ?? 0, moved: true }, transaction)
    return count > 0
  })
}

/** Deletes permanently the jobs that were deleted long enough ago, with all their rows; returns their number. */
export async function purgeJobs(at: Shop, now: Date): Promise<number> {
  const { db, shop } = at
  return inTransaction(db, async (transaction) => {
    const rows = await db.jobs.findAll({ where: isGone(shop, now), attributes: ['id'], transaction })
    const ids = rows.map((r) => r.id)
    if (!ids.length) return 0
    // Readings are kept against everything but this.
    await db.sequelize.query("SET LOCAL gate_cross.purge = 'on'", { transaction })
    for (const model of [db.readings, db.ops, db.snapshots])
      await (model as typeof db.readings).destroy({ where: { shop, jobId: ids }, transaction })
    await db.jobs.destroy({ where: { shop, id: ids }, transaction })
    for (const id of ids) forgetJob(at, id)
    return ids.length
  })
}
