'use client'

import { useMemo } from 'react'
import { conflictsIn, type Conflicting } from '@/core/setup'
import { setupSeen } from '@/jobfile'
import { useJobScreen } from './JobContext'

/** The contradictions of the job as it stands. */
export function useConflicts(): Conflicting[] {
  const { job } = useJobScreen()
  return useMemo(() => conflictsIn(setupSeen(job)), [job])
}
