'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import type { CrossingView } from '@/core/crossing'
import type { JobSeen } from '@/core/installation'
import { jobSeen } from '@/jobfile'
import { paperInput, type PaperInput } from '@/papers'
import { CrossingRunner } from '@/workers'
import { useJobScreen, useProof } from '../session'

/** Input of the papers of the job on the screen. Numbers of the Balance page come later, from their worker. */
export function usePaperInput(): PaperInput {
  const { job, inst, circuit } = useJobScreen()
  const proof = useProof()
  const seen = useMemo<JobSeen>(() => jobSeen(job, inst), [job, inst])
  const runner = useRef<CrossingRunner | null>(null)
  const [crossing, setCrossing] = useState<CrossingView | null>(null)
  useEffect(() => {
    runner.current = new CrossingRunner()
    return () => runner.current?.close()
  }, [])
  useEffect(() => {
    runner.current?.view(seen, setCrossing)
  }, [seen])
  return useMemo(() => paperInput(job, circuit, proof, crossing), [job, circuit, proof, crossing])
}
