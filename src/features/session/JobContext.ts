'use client'

import { createContext, useContext, type Context } from 'react'
import { useStore, type StoreApi } from 'zustand'
import { required } from '@/core/assert'
import type { Target } from '@/core/query'
import type { Circuit, Solved } from '@/core/circuit'
import type { Installation, Ref } from '@/core/installation'
import type { Finding, Fix, Proof } from '@/core/rules'
import type { Situation } from '@/core/situation'
import type { EditHow, JobView } from '@/client'
import type { Checked, Job, JobAnalysis, Operation } from '@/jobfile'
import type { TerminalVolts } from '@/core/startup'
import type { LiveValue, SessionState } from './sessionState'

/** An edit, or several that are one to a person. */
export type Edit = Operation | readonly Operation[]

/** Values of the job and situation for a place. After an edit they come later than urgent ones (`useLook`). */
export interface JobScreenValue {
  job: Job
  analysis: JobAnalysis
  inst: Installation
  circuit: Circuit
  /**
   * Findings about equipment, wiring, settings and answers; empty until their code has loaded. A screen that claims
   * that there are none works them out itself (`useConflicts`).
   */
  conflicts: readonly Finding[]
  situation: Situation
  solved: Solved
  volts: ReadonlyMap<Ref, TerminalVolts>
  setSituation: (s: Situation) => void
  targets: Target[]
  fixes: (inst: Installation, finding: Finding) => Promise<Fix[]>
  /** Makes an edit; one that depends on what stands is worked out of the document at this instant, not of the one shown. */
  edit: (op: Edit | ((now: LiveValue) => Edit), how?: EditHow) => Checked<Job>
  undo: () => void
  redo: () => void
  /** The place in the address, and the way to another. */
  place: string
  go: (place: string) => void
  who: string
  setWho: (who: string) => void
}

export const JobContext = createContext<JobScreenValue | null>(null)
export const StateContext = createContext<StoreApi<SessionState> | null>(null)
export const ProofContext = createContext<Proof | null>(null)

function useInside<T>(context: Context<T | null>): T {
  const value = useContext(context)
  if (!value) throw new Error('used outside a JobScreen')
  return value
}

export const useJobScreen = (): JobScreenValue => useInside(JobContext)
/** The proof as the calm parts of the screen know it; there is always one, for nothing is shown before the first. */
export const useProof = (): Proof => useInside(ProofContext)
/** The screen's state, for whoever acts on it at this instant. */
export const useSessionState = (): StoreApi<SessionState> => useInside(StateContext)

/**
 * Reads the screen's state now.
 * @param look must give the same object or text while nothing has changed for it
 */
export const useNow = <T>(look: (now: SessionState) => T): T => useStore(useSessionState(), look)

/** The wiring of a screen that is shown: nothing is before the job is here. */
export const liveOf = ({ live }: SessionState): LiveValue => required(live, 'the job')
/** Reads the wiring's state now. */
export const useLook = <T>(look: (now: LiveValue) => T): T => useNow((s) => look(liveOf(s)))
/** The situation as it is now; it follows the finger. */
export const useSituationNow = (): Situation => useLook((now) => now.situation)
/** The document with what waits to be saved, what can be undone and what is to be decided. */
export const useJobView = (): JobView => useNow((s) => s.view)
