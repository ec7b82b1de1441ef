import { QueryTypes, UniqueConstraintError } from 'sequelize'
import { required } from '@/core/assert'
import {
  apply,
  clashAt,
  onServerClock,
  partsOf,
  type Deletion,
  type Envelope,
  type Job,
  type OpResult,
  type PushRequest,
  type PushResponse,
} from '@/jobfile'
import { awayProblem } from '../databaseErrors'
import { log } from '../log'
import { readingRow } from '../models/reading'
import { fieldsOf } from '../models/job'
import type { Shop } from '../shop'
import { inTurn, TurnTimeout } from '../transaction'
import { forgetJob, freshJob, cachedJob, cacheJob, type CachedJob } from './jobCache'
import { loggedBetween, type Logged } from './logged'
import { keepSnapshot } from './snapshots'

/** How often a save is worked out anew where another server was faster. */
const MOST_TRIES = 6
/** Revisions after which the document is written; between them the log has the news. Fewer than one save in a hundred waits. */
const WRITE_EVERY = 200
/** More than this is not told one by one: the whole document is shorter. */
const MOST_SINCE = 200

/** A request that waits for its turn at a job, and whoever waits for its answer. */
interface Waiting {
  request: PushRequest
  resolve: (answer: PushResponse | null) => void
  reject: (why: unknown) => void
}
/** Requests that wait, by job. Whoever gets the turn sends all of them to the database as one query. */
const lines = new Map<string, Waiting[]>()

/**
 * Applies a browser's operations to a job, all or none of them by one question to the database. An operation that is there
 * already is acknowledged again and does nothing; one whose place somebody else has changed since the browser last looked is
 * not applied and comes back with theirs; the rest are applied in order, each with its log entry. They are worked out on the
 * job as this server holds it; the database takes them only if that is how it stands, else it is done again on what does.
 * @throws TurnTimeout where the turn does not come, or others are faster again and again
 */
export function pushOps(at: Shop, jobId: string, sent: PushRequest): Promise<PushResponse | null> {
  const name = `${at.shop} ${jobId}`
  const [sentMs, now] = [sent.sent === undefined ? null : Date.parse(sent.sent), Date.now()]
  const request = { ...sent, ops: sent.ops.map((e) => onServerClock(e, sentMs, now)) }
  return new Promise((resolve, reject) => {
    const mine = { request, resolve, reject }
    const line = lines.get(name)
    if (line) line.push(mine)
    else lines.set(name, [mine])
    const giveUp = (why: Error) => {
      const left = lines.get(name)?.filter((w) => w !== mine) ?? []
      if (left.length) lines.set(name, left)
      else lines.delete(name)
      reject(why)
    }
    inTurn(name, () => serve(at, jobId, name)).catch(giveUp)
  })
}

/** Answers all that wait at a job; nothing, where somebody has taken it along. */
async function serve(at: Shop, jobId: string, name: string): Promise<void> {
  const all = lines.get(name) ?? []
  lines.delete(name)
  if (!all.length) return
  const answer = async (some: readonly Waiting[]) => {
    const answers = await pushAll(
      at,
      jobId,
      some.map((w) => w.request),
    )
    some.forEach((w, i) => w.resolve(answers ? required(answers[i], 'an answer for each') : null))
  }
  try {
    await answer(all)
  } catch (e) {
    // A lost database is lost for all of them. An operation that it refuses, or that breaks this code, affects no
    // other.
    const alone = all.length > 1 && awayProblem(e) === null
    for (const w of all)
      if (alone) await answer([w]).catch(w.reject)
      else w.reject(e)
  }
}

async function pushAll(
  at: Shop,
  jobId: string,
  requests: readonly PushRequest[],
): Promise<PushResponse[] | null> {
  let elsewhere: ReadonlyMap<string, string> = new Map()
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const isTrusted = tries === 0 && cachedJob(at, jobId) !== undefined
    const job = isTrusted ? cachedJob(at, jobId) : await freshJob(at, jobId)
    if (!job) return null
    const outcome = await tryPush(at, jobId, requests, job, elsewhere)
    if (outcome === 'gone') return null
    if (outcome === 'taken') elsewhere = await whereTaken(at, requests)
    else if (outcome !== 'moved' && (outcome.wrote || !isTrusted || (await stands(at, jobId, job))))
      return outcome.responses
  }
  throw new TurnTimeout(jobId)
}

/** Whether a job still stands at the revision that is held: only then does an answer hold that wrote nothing. */
async function stands(at: Shop, jobId: string, job: CachedJob): Promise<boolean> {
  return (await freshJob(at, jobId))?.version === job.version
}

/** An operation that is taken, with the revision that its request was made on. */
type Taken = Logged & { base: number }
type Tried = { responses: PushResponse[]; wrote: boolean } | 'moved' | 'gone' | 'taken'

async function tryPush(
  at: Shop,
  jobId: string,
  requests: readonly PushRequest[],
  job: CachedJob,
  elsewhere: ReadonlyMap<string, string>,
): Promise<Tried> {
  // Each is worked out on what those before it have made.
  let now = job
  const responses: PushResponse[] = []
  const taken: Taken[] = []
  for (const request of requests) {
    const worked = await workOut(at, jobId, request, now, elsewhere)
    responses.push(worked.response)
    taken.push(...worked.taken)
    now = worked.now
  }
  if (!taken.length) return { responses, wrote: false }
  if (job.isOlder) await keepSnapshot(at, jobId, job.version, job.doc)
  const writes = job.isOlder || now.version - job.docRev >= WRITE_EVERY
  const appended = await append(at, jobId, job, taken, now.doc, writes)
  if (appended === 'gone') forgetJob(at, jobId)
  if (appended !== 'done') return appended
  cacheJob(at, jobId, writes ? { ...now, docRev: now.version, isOlder: false } : now)
  return { responses, wrote: true }
}

/** Works a request out on a cached job: the response, the edits that it adds, and the job after them. */
async function workOut(
  at: Shop,
  jobId: string,
  request: PushRequest,
  job: CachedJob,
  elsewhere: ReadonlyMap<string, string>,
): Promise<{ response: PushResponse; taken: Taken[]; now: CachedJob }> {
  // Edits since the oldest revision that any maker in the request had seen. The browser is told those that it lacks.
  const seen = request.ops.reduce((least, o) => Math.min(least, o.seen), request.base)
  const since =
    seen >= job.logFrom
      ? job.log.filter((o) => o.version > seen)
      : [...(await loggedBetween(at, jobId, seen, job.logFrom)), ...job.log]
  // An operation was taken after what its maker had seen: if it was, it is among these.
  const there = new Set(since.map((o) => o.envelope.opId))
  const taken: Taken[] = []
  const results: OpResult[] = []
  let { doc, version } = job
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
    taken.push({ version, envelope, base: request.base })
    there.add(opId)
    results.push({ opId, outcome: 'applied', ...(envelope.deviceAt ? { as: envelope } : {}) })
  }
  const asked = new Set(request.ops.map((o) => o.opId))
  const others = since
    .filter((o) => o.version > request.base && !asked.has(o.envelope.opId))
    .map((o) => o.envelope)
  const now = { ...job, version, doc, log: [...job.log, ...taken] }
  return { response: { version, results, others }, taken, now }
}

async function append(
  { db, shop }: Shop,
  jobId: string,
  job: CachedJob,
  taken: readonly Taken[],
  doc: Job,
  writes: boolean,
): Promise<'done' | 'moved' | 'gone' | 'taken'> {
  const ops = taken.map(({ version, envelope: e, base }) => ({
    op_id: e.opId,
    version,
    base_version: base,
    client: e.client,
    who: e.who,
    made_at: e.at,
    device_at: e.deviceAt ?? null,
    doc_version: e.docVersion,
    seen: e.seen,
    op: e.op,
  }))
  const readings = taken.flatMap(({ envelope }) =>
    partsOf(envelope.op).flatMap((part) => (part.kind === 'takeReading' ? [readingRow(part.reading)] : [])),
  )
  const fields = fieldsOf(doc)
  const isSame = JSON.stringify(fields) === JSON.stringify(fieldsOf(job.doc))
  try {
    const [row] = await db.sequelize.query<{ done: boolean }>(
      'SELECT done, revision FROM append_ops($1, $2, $3, $4::jsonb, $5::jsonb, $6::jsonb, $7::jsonb)',
      {
        type: QueryTypes.SELECT,
        bind: [
          shop,
          jobId,
          job.version,
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
async function whereTaken(
  { db, shop }: Shop,
  requests: readonly PushRequest[],
): Promise<ReadonlyMap<string, string>> {
  const rows = await db.ops.findAll({
    where: { shop, opId: requests.flatMap((r) => r.ops.map((o) => o.opId)) },
    attributes: ['opId', 'jobId'],
  })
  return new Map(rows.map((r) => [r.opId, r.jobId]))
}

/** Edits of a job after a revision, in order; `ops` is null where there are too many. null: no such job. */
export async function opsSince(
  at: Shop,
  jobId: string,
  after: number,
): Promise<{ version: number; ops: Envelope[] | null; deleted: Deletion | null } | null> {
  const job = await freshJob(at, jobId)
  if (!job) return null
  const { version, deleted, log: end, logFrom } = job
  if (version - after > MOST_SINCE) return { version, ops: null, deleted }
  const since =
    after >= logFrom ? end.filter((o) => o.version > after) : await loggedBetween(at, jobId, after, version)
  // A job that was taken in again under its name has no way from there to here.
  return { version, ops: since.length === version - after ? since.map((o) => o.envelope) : null, deleted }
}

type Judged = Exclude<OpResult, { outcome: 'applied' | 'alreadyThere' }> | { outcome: 'change'; doc: Job }

function judgeOp(doc: Job, envelope: Envelope, since: readonly Logged[]): Judged {
  const { opId, op } = envelope
  // The newest of theirs is what stands there now.
  for (const { version, envelope: theirs } of since.toReversed()) {
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
