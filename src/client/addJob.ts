import { formatJob, type Job } from '@/jobfile'
import { ask, type Answered } from './transport'

/** Adds a job to the shop; where its name is taken it gets a number. */
export const addJob = (job: Job): Promise<Answered<{ id: string }>> =>
  ask<{ id: string }>(fetch, '/api/jobs?copy=1', { method: 'POST', body: formatJob(job) })
