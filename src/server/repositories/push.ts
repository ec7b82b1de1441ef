import { QueryTypes, UniqueConstraintError } from 'sequelize'
import {
  apply,
  clashAt,
  partsOf,
  type Envelope,
  type Job,
  type OpResult,
  type PushRequest,
  type PushResponse,
} from '@/jobfile'
import { log } from '../log'
import { readingRow } from '../models/reading'
import { fieldsOf } from '../models/job'
import type { Shop } from '../shop'
import { inTurn, TurnTimeout } from '../transaction'
import { forgetJob, freshJob, heldJob, holdJob, type Held } from './held'
import { loggedBetween, type Logged } from './logged'
import { keepSnapshot } from './snapshots'

/** How often a save is worked out anew where another server was faster. */
const MOST_TRIES = 6
/** The document is written with every so many revisions; between them the log has what is new. */
const WRITE_EVERY = 25
/** More than this is not told one by one: the whole document is shorter. */
const MOST_SINCE = 200

/**
 * Applies a browser's operations to a job, all or none of them by one question to the database. An operation that is there
 * already is acknowledged again and does nothing; one whose place somebody else has changed since the browser last looked is
 * not applied and comes back with theirs; the rest are applied in order, each with its log entry. They are worked out on the
 * job as this server holds it; the database takes them only if that is how it stands, else it is done again on what does.
 * @throws TurnTimeout where others are faster again and again
 */
export const pushOps = (at: Shop, jobId: string, request: PushRequest): Promise<PushResponse | null> =>
  inTurn(`${at.shop} ${jobId}`, async () => {
    let elsewhere: ReadonlyMap<string, string> = new Map()
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      const isTrusted = tries === 0 && heldJob(at, jobId) !== undefined
      const held = isTrusted ? heldJob(at, jobId) : await freshJob(at, jobId)
      if (!held) return null
      const outcome = await tryPush(at, jobId, request, held, elsewhere)
      if (outcome === 'gone') return null
      if (outcome === 'taken') elsewhere = await whereTaken(at, request)
      else if (outcome !== 'moved' && (outcome.wrote || !isTrusted || (await stands(at, jobId, held))))
        return outcome.response
    }
    throw new TurnTimeout(jobId)
  })

/** Whether a job still stands at the revision that is held: only then does an answer hold that wrote nothing. */
async function stands(at: Shop, jobId: string, held: Held): Promise<boolean> {
  return (await freshJob(at, jobId))?.version === held.version
}

type Tried = { response: PushResponse; wrote: boolean } | 'moved' | 'gone' | 'taken'

async function tryPush(
  at: Shop,
  jobId: string,
  request: PushRequest,
  held: Held,
  elsewhere: ReadonlyMap<string, string>,
): Promise<Tried> {
  // What anybody did since the oldest revision that some maker had seen; of these, the browser is told what is new to it.
  const seen = request.ops.reduce((least, o) => Math.min(least, o.seen), request.base)
  const since =
    seen >= held.logFrom
      ? held.log.filter((o) => o.version > seen)
      : await loggedBetween(at, jobId, seen, held.version)
  // An operation was taken after what its maker had seen: if it was, it is among these.
  const there = new Set(since.map((o) => o.envelope.opId))
  const taken: Logged[] = []
  const results: OpResult[] = []
  let { doc, version } = held
  for (const envelope of request.ops) {
    const { opId } = envelope
    if (there.has(opId) || elsewhere.has(opId)) {
      results.push(alreadyThere(envelope, (elsewhere.get(opId) ?? jobId) === jobId))
      continue
    }
    const judged = judgeOp(doc, envelope, since)
    if (judged.outcome !== 'change') {
      results.push(judged)
      continue
    }
    doc = judged.doc
    version += 1
    taken.push({ version, envelope })
    there.add(opId)
    results.push({ opId, outcome: 'applied' })
  }
  const asked = new Set(request.ops.map((o) => o.opId))
  const others = since
    .filter((o) => o.version > request.base && !asked.has(o.envelope.opId))
    .map((o) => o.envelope)
  const response = { version, results, others }
  if (!taken.length) return { response, wrote: false }
  if (held.isOlder) await keepSnapshot(at, jobId, held.version, held.doc)
  const writes = held.isOlder || version - held.docRev >= WRITE_EVERY
  const appended = await append(at, jobId, request.base, held, taken, doc, writes)
  if (appended !== 'done') {
    if (appended === 'gone') forgetJob(at, jobId)
    return appended
  }
  holdJob(at, jobId, {
    ...held,
    version,
    doc,
    ...(writes ? { docRev: version, isOlder: false } : {}),
    log: [...held.log, ...taken],
  })
  return { response, wrote: true }
}

async function append(
  { db, shop }: Shop,
  jobId: string,
  base: number,
  held: Held,
  taken: readonly Logged[],
  doc: Job,
  writes: boolean,
): Promise<'done' | 'moved' | 'gone' | 'taken'> {
  const ops = taken.map(({ version, envelope: e }) => ({
    op_id: e.opId,
    version,
    base_version: base,
    client: e.client,
    who: e.who,
    made_at: e.at,
    doc_version: e.docVersion,
    seen: e.seen,
    op: e.op,
  }))
  const readings = taken.flatMap(({ envelope }) =>
    partsOf(envelope.op).flatMap((part) => {
      if (part.kind !== 'takeReading') return []
      const { takenAt, ...row } = readingRow(shop, jobId, part.reading)
      return [{ ...row, taken_at: takenAt }]
    }),
  )
  const fields = fieldsOf(doc)
  const isSame = JSON.stringify(fields) === JSON.stringify(fieldsOf(held.doc))
  try {
    const [row] = await db.sequelize.query<{ done: boolean }>(
      'SELECT done, revision FROM append_ops($1, $2, $3, $4::jsonb, $5::jsonb, $6::jsonb, $7::jsonb)',
      {
        type: QueryTypes.SELECT,
        bind: [
          shop,
          jobId,
          held.version,
          JSON.stringify(ops),
          JSON.stringify(readings),
          isSame ? null : JSON.stringify(fields),
          writes ? JSON.stringify(doc) : null,
        ],
      },
    )
    return row ? (row.done ? 'done' : 'moved') : 'gone'
  } catch (e) {
    if (!(e instanceof UniqueConstraintError)) throw e
    log.warn({ job: jobId, why: e.message }, 'a name that was used before')
    return 'taken'
  }
}

/** For each operation of a request that is somewhere already, the job that has it. */
async function whereTaken({ db, shop }: Shop, request: PushRequest): Promise<ReadonlyMap<string, string>> {
  const rows = await db.ops.findAll({
    where: { shop, opId: request.ops.map((o) => o.opId) },
    attributes: ['opId', 'jobId'],
  })
  return new Map(rows.map((r) => [r.opId, r.jobId]))
}

/** What was done to a job after a revision, in order; `ops` is null where that is very much. null: no such job. */
export async function opsSince(
  at: Shop,
  jobId: string,
  after: number,
): Promise<{ version: number; ops: Envelope[] | null } | null> {
  const held = await freshJob(at, jobId)
  if (!held) return null
  const { version, log: end, logFrom } = held
  if (version - after > MOST_SINCE) return { version, ops: null }
  const since =
    after >= logFrom ? end.filter((o) => o.version > after) : await loggedBetween(at, jobId, after, version)
  // A job that was taken in again under its name has no way from there to here.
  return { version, ops: since.length === version - after ? since.map((o) => o.envelope) : null }
}

type Judged = Exclude<OpResult, { outcome: 'applied' | 'alreadyThere' }> | { outcome: 'change'; doc: Job }

function judgeOp(doc: Job, envelope: Envelope, since: readonly Logged[]): Judged {
  const { opId, op } = envelope
  for (const { version, envelope: theirs } of since) {
    if (version <= envelope.seen || theirs.client === envelope.client) continue
    if (envelope.knew?.includes(theirs.opId)) continue
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
