import { Op } from 'sequelize'
import { apply, cut, MOST_CHARACTERS, storedJob, type Job, type Operation } from '@/jobfile'
import type { Shop } from '../shop'
import { freshJob } from './jobCache'
import { createJob } from './jobs'
import { loggedBetween } from './logged'

/** An edit in a job's history. */
export interface PastEdit {
  /** The job's revision after it. */
  version: number
  who: string
  /** ISO time at which it was made. */
  at: string
  /** Time by the device's own clock, where that was wrong. */
  deviceAt?: string
  op: Operation
}

/** Edits of a page of the history. */
const PAGE = 50

/** Edits of a job before a revision, newest first; null where there is no such job. */
export async function historyOf(
  at: Shop,
  jobId: string,
  before: number | null,
): Promise<{ version: number; edits: PastEdit[]; more: boolean } | null> {
  const job = await freshJob(at, jobId)
  if (!job) return null
  const upTo = before === null ? job.version : Math.min(before - 1, job.version)
  const ops = await loggedBetween(at, jobId, Math.max(0, upTo - PAGE), upTo)
  const edits = ops.reverse().map(({ version, envelope: { who, at: when, deviceAt, op } }) => ({
    version,
    who,
    at: when,
    ...(deviceAt ? { deviceAt } : {}),
    op,
  }))
  return { version: job.version, edits, more: edits.length === PAGE }
}

/** A job as it stood at one of its revisions: the last snapshot before it, and what the log has since. */
async function jobAt(at: Shop, jobId: string, version: number): Promise<Job | null> {
  const { db, shop } = at
  const snapshot = await db.snapshots.findOne({
    where: { shop, jobId, version: { [Op.lte]: version } },
    order: [['version', 'DESC'], ['docVersion', 'DESC']],
  }) // prettier-ignore
  if (!snapshot) return null
  const ops = await loggedBetween(at, jobId, snapshot.version, version)
  return ops.reduce((doc, { envelope }) => {
    const applied = apply(doc, envelope.op)
    return applied.ok ? applied.value : doc
  }, storedJob(snapshot.doc))
}

/** Makes a job of its own out of one of another's revisions; null: there is no such job or revision. */
export async function copyAt(at: Shop, jobId: string, version: number): Promise<string | null> {
  const job = await freshJob(at, jobId)
  if (!job || version < 1 || version > job.version) return null
  const past = version === job.version ? job.doc : await jobAt(at, jobId, version)
  if (!past) return null
  const end = `, as at revision ${version}`
  const title = `${cut(past.title, MOST_CHARACTERS.title - end.length)}${end}`
  const made = await createJob(at, { ...past, title }, true)
  return made.ok ? made.id : null
}
