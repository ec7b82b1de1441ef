'use client'

import { useMemo } from 'react'
import type { Installation } from '@/core/installation'
import { conflictsIn, type Conflicting, type SetupSeen } from '@/core/setup'
import type { Job } from '@/jobfile'
import { useJobScreen } from './JobContext'

/** What the conflicts of a job are looked for in. */
export const seenOf = (job: Job, inst: Installation): SetupSeen => ({
  inst,
  answers: job.setup.interview,
  tested: job.readings.length > 0,
})

/** The contradictions of the job as it stands. */
export function useConflicts(): Conflicting[] {
  const { job, inst } = useJobScreen()
  return useMemo(() => conflictsIn(seenOf(job, inst)), [job, inst])
}
