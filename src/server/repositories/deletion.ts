import { Op, type WhereOptions } from 'sequelize'
import type { Deletion } from '@/jobfile'
import type { JobRow } from '../models/job'

/** ms for which a deleted job can be restored: 30 days from when it was deleted, or last edited since. */
const GONE_AFTER_MS = 30 * 86_400_000

/** The deletion of a job; null: it is not deleted. */
export function deletionOf({
  deletedAt,
  deletedBy,
  updatedAt,
}: Pick<JobRow, 'deletedAt' | 'deletedBy' | 'updatedAt'>): Deletion | null {
  if (!deletedAt) return null
  const last = Math.max(deletedAt.getTime(), updatedAt.getTime())
  return { by: deletedBy ?? '', goes: new Date(last + GONE_AFTER_MS).toISOString() }
}

/** The columns that tell of it. */
export const DELETION_COLUMNS = ['deletedAt', 'deletedBy', 'updatedAt']

/** Deleted jobs that can no longer be restored. */
export function isGone(shop: string, now: Date): WhereOptions<JobRow> {
  const before = { [Op.lt]: new Date(now.getTime() - GONE_AFTER_MS) }
  return { shop, deletedAt: before, updatedAt: before }
}
