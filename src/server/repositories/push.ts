import { Op } from 'sequelize'
import {
  apply,
  clash,
  pathOf,
  upgradeJob,
  type Envelope,
  type Job,
  type OpResult,
  type PushRequest,
  type PushResponse,
} from '@/jobfile'
import type { Database } from '../database'
import type { JobOpRow } from '../models/jobOp'
import { readingRow } from '../models/reading'

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
  return db.sequelize.transaction(async (transaction) => {
    const row = await db.jobs.findByPk(jobId, { transaction, lock: transaction.LOCK.UPDATE })
    if (!row) return null
    const since = await db.ops.findAll({
      where: { jobId, version: { [Op.gt]: request.base } },
      order: [['version', 'ASC']],
      transaction,
    })
    const asked = request.ops.map((o) => o.opId)
    const known = await db.ops.findAll({ where: { opId: asked }, attributes: ['opId', 'jobId'], transaction })
    const there = new Map(known.map((k) => [k.opId, k.jobId]))
    let { version } = row
    let doc = upgradeJob(row.doc)
    const results: OpResult[] = []
    for (const envelope of request.ops) {
      const result = there.has(envelope.opId)
        ? alreadyThere(envelope, there.get(envelope.opId) === jobId)
        : judgeOp(doc, envelope, since)
      if (result.outcome === 'change') {
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
            op: envelope.op,
          },
          { transaction },
        )
        if (envelope.op.kind === 'takeReading')
          await db.readings.create(readingRow(jobId, envelope.op.reading), { transaction })
        there.set(envelope.opId, jobId)
        results.push({ opId: envelope.opId, outcome: 'applied' })
      } else results.push(result)
    }
    if (version !== row.version) await row.update({ doc, version, updatedAt: new Date() }, { transaction })
    const others = since.filter((o) => !asked.includes(o.opId)).map(envelopeOf)
    return { version, results, others }
  })
}

type Judged = Exclude<OpResult, { outcome: 'applied' | 'alreadyThere' }> | { outcome: 'change'; doc: Job }

function judgeOp(doc: Job, envelope: Envelope, since: readonly JobOpRow[]): Judged {
  const { opId, op } = envelope
  const theirs = since.find((o) => o.client !== envelope.client && clash(o.op, op))
  if (theirs) return { opId, outcome: 'stale', place: pathOf(op), theirs: envelopeOf(theirs) }
  const applied = apply(doc, op)
  if (!applied.ok) return { opId, outcome: 'refused', problems: applied.problems }
  return { outcome: 'change', doc: applied.value }
}

function alreadyThere(envelope: Envelope, sameJob: boolean): OpResult {
  if (sameJob) return { opId: envelope.opId, outcome: 'alreadyThere' }
  const problems = [{ path: 'opId', expected: 'a name that no other job has used', got: envelope.opId }]
  return { opId: envelope.opId, outcome: 'refused', problems }
}

const envelopeOf = (o: JobOpRow): Envelope => ({
  opId: o.opId,
  client: o.client,
  who: o.who,
  at: o.madeAt,
  op: o.op,
})
