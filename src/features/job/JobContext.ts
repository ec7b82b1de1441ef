'use client'

import { createContext, useContext, type Context } from 'react'
import type { Circuit, Solved } from '@/core/circuit'
import type { GateChain, Target } from '@/core/explain'
import type { Installation, Ref } from '@/core/installation'
import type { Finding, Mend, Proof } from '@/core/laws'
import type { Situation } from '@/core/situation'
import type { JobView } from '@/client'
import type { Checked, Job, Operation } from '@/jobfile'
import type { TerminalVolts } from './liveness'
import type { Place } from './places'

/** What a place needs of the job and the situation. On the Bench it may come a moment after the conductors. */
export interface JobScreenValue {
  job: Job
  inst: Installation
  circuit: Circuit
  situation: Situation
  solved: Solved
  volts: ReadonlyMap<Ref, TerminalVolts>
  setSituation: (s: Situation) => void
  targets: Target[]
  chains: GateChain[]
  mends: (finding: Finding) => Promise<Mend[]>
  edit: (op: Operation) => Checked<Job>
  undo: () => void
  redo: () => void
  place: Place
  go: (place: Place) => void
  who: string
  setWho: (who: string) => void
}

/** The situation as it is now; it follows the finger, and an edit of the wiring does not touch it. */
export interface SituationValue {
  situation: Situation
  setSituation: (s: Situation) => void
}

/** What must follow an edit at once: the wiring as it is now, with its volts. */
export interface LiveValue {
  inst: Installation
  solved: Solved
  volts: ReadonlyMap<Ref, TerminalVolts>
}

// One context each for what changes at its own pace, so that a proof or a save does not draw everything again.
export const JobContext = createContext<JobScreenValue | null>(null)
export const SituationContext = createContext<SituationValue | null>(null)
export const LiveContext = createContext<LiveValue | null>(null)
export const ProofContext = createContext<Proof | null>(null)
export const StaleContext = createContext(false)
export const ViewContext = createContext<JobView | null>(null)

function useInside<T>(context: Context<T | null>): T {
  const value = useContext(context)
  if (!value) throw new Error('used outside a JobScreen')
  return value
}

export const useJobScreen = (): JobScreenValue => useInside(JobContext)
export const useLive = (): LiveValue => useInside(LiveContext)
export const useSituationNow = (): SituationValue => useInside(SituationContext)
/** The latest proof; there is always one, for nothing is shown before the first. */
export const useProof = (): Proof => useInside(ProofContext)
/** Whether the proof belongs to an earlier state of the wiring. */
export const useStale = (): boolean => useContext(StaleContext)
/** The document with what waits to be saved, what can be undone and what is to be decided. */
export const useJobView = (): JobView => useInside(ViewContext)
