'use client'

import { useMemo } from 'react'
import { jobFindings, type Finding } from '@/core/rules'
import { jobSeen } from '@/jobfile'
import { useJobScreen } from './JobContext'

/** Findings about equipment, wiring, settings and answers. */
export function useConflicts(): readonly Finding[] {
  const { job, inst } = useJobScreen()
  return useMemo(() => jobFindings(jobSeen(job, inst)), [job, inst])
}
