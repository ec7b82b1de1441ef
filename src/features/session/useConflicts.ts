'use client'

import type { Finding } from '@/core/rules'
import { jobFindingsOf } from '@/jobfile'
import { useJobScreen } from './JobContext'

/** Findings about equipment, wiring, settings and answers. */
export function useConflicts(): readonly Finding[] {
  return jobFindingsOf(useJobScreen().analysis)
}
