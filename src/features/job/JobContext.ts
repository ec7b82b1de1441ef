'use client'

import { createContext, useContext } from 'react'
import type { Solved } from '@/core/circuit'
import type { Circuit } from '@/core/circuit'
import type { GateChain, Target } from '@/core/explain'
import type { Installation } from '@/core/installation'
import type { Finding, Mend, Proof } from '@/core/laws'
import type { Situation } from '@/core/situation'
import type { JobView } from '@/client'
import type { Checked, Job, Operation } from '@/jobfile'
import type { Place } from './places'

/** Everything a place needs: the job, the situation, and what follows from the two. */
export interface JobScreenValue {
  view: JobView
  job: Job
  inst: Installation
  circuit: Circuit
  situation: Situation
  setSituation: (s: Situation) => void
  solved: Solved
  targets: Target[]
  chains: GateChain[]
  proof: Proof | null
  /** The proof belongs to an earlier state of the wiring. */
  stale: boolean
  mends: (finding: Finding) => Promise<Mend[]>
  edit: (op: Operation) => Checked<Job>
  undo: () => void
  redo: () => void
  place: Place
  go: (place: Place) => void
  who: string
  setWho: (who: string) => void
}

export const JobContext = createContext<JobScreenValue | null>(null)

export function useJobScreen(): JobScreenValue {
  const value = useContext(JobContext)
  if (!value) throw new Error('useJobScreen outside a JobScreen')
  return value
}
