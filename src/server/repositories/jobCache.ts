import { LRUCache } from 'lru-cache'
import { apply, JOB_VERSION, storedJob, type Deletion, type Job } from '@/jobfile'
import { log } from '../log'
import type { Shop } from '../shop'
import { DELETION_COLUMNS, deletionOf } from './deletion'
import { loggedBetween, type Logged } from './logged'

/** A job as this server last saw it: never believed without asking the database for its revision. */
export interface CachedJob {
  version: number
  doc: Job
  /** null: it is not deleted. */
  deleted: Deletion | null
  /** The revision at which the document was last written, and whether it was one of an older version of the file. */
  docRev: number
  isOlder: boolean
  /** The end of its log, without a gap; `logFrom` is the revision before its first. */
  log: Logged[]
  logFrom: number
}

/** How many jobs are held, for how long in ms, and how much of a log. */
const MOST_HELD = 100
const HELD_MS = 3_600_000
const LOG_TAIL = 100

const holder = globalThis as typeof globalThis & { gateCrossHeld?: LRUCache<string, CachedJob> }
const cache = (): LRUCache<string, CachedJob> =>
  (holder.gateCrossHeld ??= new LRUCache<string, CachedJob>({ max: MOST_HELD, ttl: HELD_MS }))
export const keyOf = ({ shop }: Shop, id: string): string => `${shop} ${id}`

/** A job as it was last seen here, which somebody else may have moved on since. */
export const cachedJob = (at: Shop, id: string): CachedJob | undefined => cache().get(keyOf(at, id))
export const forgetJob = (at: Shop, id: string): void => void cache().delete(keyOf(at, id))

/** Holds a job as it stands now; of a long log the end. */
export function cacheJob(at: Shop, id: string, job: CachedJob): void {
  const over = job.log.length - 2 * LOG_TAIL
  const cut = over > 0 ? job.log.length - LOG_TAIL : 0
  const bounded = cut ? { ...job, log: job.log.slice(cut), logFrom: job.logFrom + cut } : job
  cache().set(keyOf(at, id), bounded)
}

/** A job as it stands in the database: its document, and what the log has after it. null: there is none of that name. */
export async function freshJob(at: Shop, id: string): Promise<CachedJob | null> {
  const { db, shop } = at
  const known = cachedJob(at, id)
  if (known) {
    const row = await db.jobs.findOne({ where: { shop, id }, attributes: ['version', ...DELETION_COLUMNS] })
    if (!row) {
      forgetJob(at, id)
      return null
    }
    const { version } = row
    const deleted = deletionOf(row)
    if (version === known.version) return { ...known, deleted }
    if (version > known.version && version - known.version <= LOG_TAIL) {
      const since = await loggedBetween(at, id, known.version, version)
      if (since.length === version - known.version) {
        const next = {
          ...known,
          version,
          deleted,
          doc: after(id, known.doc, since),
          log: [...known.log, ...since],
        }
        cacheJob(at, id, next)
        return next
      }
    }
  }
  const row = await db.jobs.findOne({
    where: { shop, id },
    attributes: ['version', 'doc', 'docRev', ...DELETION_COLUMNS],
  })
  if (!row) return null
  const { version, docRev } = row
  const logFrom = Math.max(0, Math.min(docRev, version - LOG_TAIL))
  const ops = await loggedBetween(at, id, logFrom, version)
  const stored = storedJob(row.doc)
  const job = {
    version,
    doc: after(
      id,
      stored,
      ops.filter((o) => o.version > docRev),
    ),
    deleted: deletionOf(row),
    docRev,
    isOlder: row.doc.version !== JOB_VERSION,
    log: ops,
    // An imported job has no log of the time before its import, so its log begins there.
    logFrom: ops[0] ? ops[0].version - 1 : version,
  }
  cacheJob(at, id, job)
  return job
}

/** A document after some operations of its log: each was taken once, and is taken again. */
function after(id: string, doc: Job, ops: readonly Logged[]): Job {
  return ops.reduce((now, { version, envelope }) => {
    const applied = apply(now, envelope.op)
    if (!applied.ok)
      log.error({ job: id, version, why: applied.problems }, 'an operation of the log does not apply')
    return applied.ok ? applied.value : now
  }, doc)
}
