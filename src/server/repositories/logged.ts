import { Op } from 'sequelize'
import { upgradeEnvelope, type Envelope } from '@/jobfile'
import type { JobOpRow } from '../models/jobOp'
import type { Shop } from '../shop'

/** An operation of the log, as one of today's. */
export interface Logged {
  /** The job's revision after it. */
  version: number
  envelope: Envelope
}

/** A row of the log as one of today's envelopes: it may have been written for an older document. */
const envelopeOf = ({
  opId,
  client,
  who,
  madeAt,
  deviceAt,
  docVersion,
  seen,
  baseVersion,
  op,
}: JobOpRow): Envelope =>
  upgradeEnvelope(
    {
      opId,
      client,
      who,
      at: madeAt,
      ...(deviceAt ? { deviceAt } : {}),
      docVersion,
      seen: seen ?? baseVersion,
      op,
    },
    baseVersion,
  ) as Envelope

/** Edits of a job after one revision and up to another, in order. */
export async function loggedBetween(
  { db, shop }: Shop,
  jobId: string,
  after: number,
  upTo: number,
): Promise<Logged[]> {
  if (upTo <= after) return []
  const rows = await db.ops.findAll({
    where: { shop, jobId, version: { [Op.gt]: after, [Op.lte]: upTo } },
    order: [['version', 'ASC']],
  })
  return rows.map((row) => ({ version: row.version, envelope: envelopeOf(row) }))
}
