'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import type { CrossingView } from '@/core/crossing'
import { paperInput, type PaperInput } from '@/papers'
import { CrossingRunner } from '@/workers'
import { useJobScreen, useProof } from '../session'

/** Input of the papers of the job on the screen. Numbers of the Balance page come later, from their worker. */
export function usePaperInput(): PaperInput {
  const { analysis } = useJobScreen()
  const proof = useProof()
  const { seen } = analysis
  const runner = useRef<CrossingRunner | null>(null)
  const [crossing, setCrossing] = useState<CrossingView | null>(null)
  useEffect(() => {
    runner.current = new CrossingRunner()
    return () => runner.current?.close()
  }, [])
  useEffect(() => {
    runner.current?.view(seen, setCrossing)
  }, [seen])
  return useMemo(() => paperInput(analysis, proof, crossing), [analysis, proof, crossing])
}
