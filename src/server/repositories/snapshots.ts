import type { Transaction } from 'sequelize'
import type { Job } from '@/jobfile'
import type { Shop } from '../shop'

/** Keeps a job, in today's form, as it stands at a revision; once is enough. */
export async function keepSnapshot(
  { db, shop }: Shop,
  jobId: string,
  version: number,
  doc: Job,
  transaction?: Transaction,
): Promise<void> {
  await db.snapshots.bulkCreate(
    [{ shop, jobId, version, docVersion: doc.version, doc, takenAt: new Date() }],
    {
      ignoreDuplicates: true,
      ...(transaction ? { transaction } : {}),
    },
  )
}
