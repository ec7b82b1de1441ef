import { formatJob, type Job, type Shelf } from '@/jobfile'
import { ask, type Answered } from './transport'

/** Adds a job to the shop; where its name is taken it gets a number. */
export const addJob = (job: Job): Promise<Answered<{ id: string }>> =>
  ask<{ id: string }>(fetch, '/api/jobs?copy=1', { method: 'POST', body: formatJob(job) })

/** Archives a job, deletes it for thirty days, or restores it. */
export const moveJob = (id: string, to: Shelf, who: string): Promise<Answered<unknown>> =>
  ask(fetch, `/api/jobs/${encodeURIComponent(id)}/standing`, {
    method: 'PUT',
    body: JSON.stringify({ to, who }),
  })
