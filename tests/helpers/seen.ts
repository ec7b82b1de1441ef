import type { JobSeen } from '@/core/installation'
import { jobSeen, type Job } from '@/jobfile'
import { readJson } from './demo'

/** A demo job with all that is known of its house. */
export const demoSeen = (id: string): JobSeen => jobSeen(readJson<Job>(`demo/jobs/${id}.json`))
