'use client'

import { jobFindings, type Finding } from '@/core/rules'
import { jobSeen, type Job } from '@/jobfile'
import { useJobScreen } from './JobContext'

const known = new WeakMap<Job, Finding[]>()

/** What is wrong between gear, wiring, settings and answers, looked for once however many rows and places show it. */
export function conflictsOf(job: Job): Finding[] {
  let found = known.get(job)
  if (!found) known.set(job, (found = jobFindings(jobSeen(job))))
  return found
}

/** The contradictions of the job as it stands. */
export const useConflicts = (): Finding[] => conflictsOf(useJobScreen().job)
