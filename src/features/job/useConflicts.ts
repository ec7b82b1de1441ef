'use client'

import { conflictsIn, type Conflicting } from '@/core/setup'
import { setupSeen, type Job } from '@/jobfile'
import { useJobScreen } from './JobContext'

const known = new WeakMap<Job, Conflicting[]>()

/** The contradictions of a job, looked for once however many rows and places show them. */
export function conflictsOf(job: Job): Conflicting[] {
  let found = known.get(job)
  if (!found) known.set(job, (found = conflictsIn(setupSeen(job))))
  return found
}

/** The contradictions of the job as it stands. */
export const useConflicts = (): Conflicting[] => conflictsOf(useJobScreen().job)
