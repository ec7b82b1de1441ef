import { QueryTypes, type Transaction } from 'sequelize'
import type { Job } from '@/jobfile'
import type { Shop } from '../shop'

/** Keeps a job, in today's form, as it stands at a revision; once is enough. */
export async function keepSnapshot(
  { db, shop }: Shop,
  jobId: string,
  version: number,
  doc: Job,
): Promise<void> {
  await db.snapshots.bulkCreate(
    [{ shop, jobId, version, docVersion: doc.version, doc, takenAt: new Date() }],
    { ignoreDuplicates: true },
  )
}

/** Keeps a job as its row has it: the document does not travel for it. */
export const snapshotOfRow = async (
  { db, shop }: Shop,
  jobId: string,
  transaction: Transaction,
): Promise<unknown> =>
  db.sequelize.query(
    `INSERT INTO job_snapshots (shop, job_id, version, doc_version, doc, taken_at)
     SELECT shop, id, version, (doc->>'version')::integer, doc, now() FROM jobs WHERE shop = $1 AND id = $2`,
    { type: QueryTypes.INSERT, bind: [shop, jobId], transaction },
  )
