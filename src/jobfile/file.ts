import { jobSchema, referenceProblems, upgradeJob } from './document'
import { readJson } from './jsonText'
import { orderKeys } from './order'
import { check } from './check'
import { problem, type Checked } from './problem'
import { JOB_VERSION, type Job } from './sections/registry'

/** The largest job file that is read, bytes: several hundred times the demo job. */
export const MOST_BYTES = 8 * 1024 * 1024

/** Reads a job file's text. Nothing is half-read: either the whole job is right or every wrong place is named. */
export function parseJob(text: string): Checked<Job> {
  if (text.length > MOST_BYTES)
    return {
      ok: false,
      problems: [problem('', `at most ${MOST_BYTES / 1024 / 1024} MB`, `${text.length} bytes`)],
    }
  const read = readJson(text)
  return read.ok ? checkJob(read.value) : read
}

/** Checks a value that should be a job: its format and version first, then its shape, then what it refers to. */
export function checkJob(value: unknown): Checked<Job> {
  const head = value as { format?: unknown; version?: unknown } | null
  if (typeof value !== 'object' || head === null || head.format !== 'gatecross.job')
    return { ok: false, problems: [problem('format', '"gatecross.job"', head?.format)] }
  if (typeof head.version === 'number' && head.version > JOB_VERSION)
    return {
      ok: false,
      problems: [
        problem('version', `at most ${JOB_VERSION}: the file is from a newer Gate Cross`, head.version),
      ],
    }
  return checkWhole(upgradeJob(value))
}

/** Checks a job of today's version: its shape, then what it refers to. */
export function checkWhole(value: unknown): Checked<Job> {
  const checked = check<Job>(jobSchema(), value)
  if (!checked.ok) return checked
  const problems = referenceProblems(checked.value)
  return problems.length ? { ok: false, problems } : checked
}

/** A job as the text of a file: keys in the schema's order, two spaces, a final line end. Lossless both ways. */
export const formatJob = (job: Job): string => `${JSON.stringify(orderKeys(jobSchema(), job), null, 2)}\n`
