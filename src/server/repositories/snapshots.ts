import type { Transaction } from 'sequelize'
import type { Job } from '@/jobfile'
import type { Database } from '../database'

/** Keeps a job, in today's form, as it stands at a version. */
export async function keepSnapshot(
  db: Database,
  jobId: string,
  version: number,
  doc: Job,
  transaction: Transaction,
): Promise<void> {
  await db.snapshots.create(
    { jobId, version, docVersion: doc.version, doc, takenAt: new Date() },
    { transaction },
  )
}
