import { apply, type Envelope, type Job } from '@/jobfile'

/** A document after some operations; null where one does not apply here. */
export const withAll = (job: Job, ops: readonly Envelope[]): Job | null =>
  ops.reduce<Job | null>((now, { op }) => {
    const applied = now && apply(now, op)
    return applied?.ok ? applied.value : null
  }, job)

/** A document after those of some operations that apply. */
export const withMost = (job: Job, ops: readonly Envelope[]): Job =>
  ops.reduce((now, { op }) => {
    const applied = apply(now, op)
    return applied.ok ? applied.value : now
  }, job)
