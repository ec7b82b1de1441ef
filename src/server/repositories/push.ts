import { Op } from 'sequelize'
import {
  apply,
  clashAt,
  JOB_VERSION,
  partsOf,
  storedJob,
  upgradeEnvelope,
  type Envelope,
  type Job,
  type OpResult,
  type PushRequest,
  type PushResponse,
} from '@/jobfile'
import type { Database } from '../database'
import type { JobOpRow } from '../models/jobOp'
import { readingRow } from '../models/reading'
import { inTransaction, inTurn } from '../transaction'
import { keepSnapshot } from './snapshots'

/**
 * Applies a browser's operations to a job, all in one transaction with the job's row held. An operation that is there
 * already is acknowledged again and does nothing; one whose place somebody else has changed since the browser last
 * looked is not applied and comes back with theirs; the rest are applied in order, each with its log entry.
 */
export async function pushOps(
  db: Database,
  jobId: string,
  request: PushRequest,
): Promise<PushResponse | null> {
  return inTurn(jobId, () => push(db, jobId, request))
}

const push = (db: Database, jobId: string, request: PushRequest): Promise<PushResponse | null> =>
  inTransaction(db, async (transaction) => {
    const row = await db.jobs.findByPk(jobId, { transaction, lock: transaction.LOCK.UPDATE })
    if (!row) return null
    // What anybody did since the oldest revision that some maker had seen; of these, the browser is told what is new to it.
    const seen = request.ops.reduce((least, o) => Math.min(least, o.seen), request.base)
    const since = (
      await db.ops.findAll({
        where: { jobId, version: { [Op.gt]: seen } },
        order: [['version', 'ASC']],
        transaction,
      })
    ).map((o): Logged => ({ version: o.version, envelope: envelopeOf(o) }))
    const asked = request.ops.map((o) => o.opId)
    const known = await db.ops.findAll({ where: { opId: asked }, attributes: ['opId', 'jobId'], transaction })
    const there = new Map(known.map((k) => [k.opId, k.jobId]))
    let { version } = row
    let doc = storedJob(row.doc)
    const isOlder = row.doc.version !== JOB_VERSION
    const results: OpResult[] = []
    for (const envelope of request.ops) {
      const result = there.has(envelope.opId)
        ? alreadyThere(envelope, there.get(envelope.opId) === jobId)
        : judgeOp(doc, envelope, since)
      if (result.outcome === 'change') {
        if (isOlder && version === row.version) await keepSnapshot(db, jobId, version, doc, transaction)
        doc = result.doc
        version += 1
        await db.ops.create(
          {
            opId: envelope.opId,
            jobId,
            version,
            baseVersion: request.base,
            client: envelope.client,
            who: envelope.who,
            madeAt: envelope.at,
            docVersion: envelope.docVersion,
            seen: envelope.seen,
            op: envelope.op,
          },
          { transaction },
        )
        for (const part of partsOf(envelope.op))
          if (part.kind === 'takeReading')
            await db.readings.create(readingRow(jobId, part.reading), { transaction })
        there.set(envelope.opId, jobId)
        results.push({ opId: envelope.opId, outcome: 'applied' })
      } else results.push(result)
    }
    if (version !== row.version) await row.update({ doc, version, updatedAt: new Date() }, { transaction })
    const others = since
      .filter((o) => o.version > request.base && !asked.includes(o.envelope.opId))
      .map((o) => o.envelope)
    return { version, results, others }
  })

type Judged = Exclude<OpResult, { outcome: 'applied' | 'alreadyThere' }> | { outcome: 'change'; doc: Job }

/** An operation of the log, as one of today's. */
interface Logged {
  /** The job's version after it. */
  version: number
  envelope: Envelope
}

function judgeOp(doc: Job, envelope: Envelope, since: readonly Logged[]): Judged {
  const { opId, op } = envelope
  for (const { version, envelope: theirs } of since) {
    if (version <= envelope.seen || theirs.client === envelope.client) continue
    const path = clashAt(op, theirs.op)
    if (path !== null) return { opId, outcome: 'stale', path, theirs }
  }
  const applied = apply(doc, op)
  if (!applied.ok) return { opId, outcome: 'refused', problems: applied.problems }
  return { outcome: 'change', doc: applied.value }
}

function alreadyThere(envelope: Envelope, sameJob: boolean): OpResult {
  if (sameJob) return { opId: envelope.opId, outcome: 'alreadyThere' }
  const problems = [{ path: 'opId', expected: 'a name that no other job has used', got: envelope.opId }]
  return { opId: envelope.opId, outcome: 'refused', problems }
}

/** A row of the log as one of today's envelopes: it may have been written for an older document. */
const envelopeOf = ({ opId, client, who, madeAt, docVersion, seen, baseVersion, op }: JobOpRow): Envelope =>
  upgradeEnvelope(
    { opId, client, who, at: madeAt, docVersion, seen: seen ?? baseVersion, op },
    baseVersion,
  ) as Envelope
