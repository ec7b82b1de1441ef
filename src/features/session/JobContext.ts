'use client'

import type { Target } from '@/core/query'
import { createContext, useContext, useSyncExternalStore, type Context } from 'react'
import type { Circuit, Solved } from '@/core/circuit'
import type { GateChain } from '@/core/explain'
import type { Installation, Ref } from '@/core/installation'
import type { Finding, Fix, Proof } from '@/core/rules'
import type { Situation } from '@/core/situation'
import type { JobStore, JobView } from '@/client'
import type { Checked, Job, Operation } from '@/jobfile'
import type { LiveBoard, LiveValue } from './LiveBoard'
import type { LiveProof } from './LiveProof'
import type { TerminalVolts } from './liveness'

/** What a place needs of the job and the situation. On the Bench it may come a moment after the conductors. */
export interface JobScreenValue {
  job: Job
  inst: Installation
  circuit: Circuit
  /** What is wrong between gear, wiring, settings and answers. */
  conflicts: readonly Finding[]
  situation: Situation
  solved: Solved
  volts: ReadonlyMap<Ref, TerminalVolts>
  setSituation: (s: Situation) => void
  targets: Target[]
  chains: GateChain[]
  fixes: (inst: Installation, finding: Finding) => Promise<Fix[]>
  edit: (op: Operation | readonly Operation[]) => Checked<Job>
  undo: () => void
  redo: () => void
  /** The place in the address, and the way to another. */
  place: string
  go: (place: string) => void
  who: string
  setWho: (who: string) => void
}

/** The situation as it is now; it follows the finger, and an edit of the wiring does not touch it. */
export interface SituationValue {
  situation: Situation
  setSituation: (s: Situation) => void
}

// One context each for what changes at its own pace, so that a proof or a save does not draw everything again.
export const JobContext = createContext<JobScreenValue | null>(null)
export const SituationContext = createContext<SituationValue | null>(null)
export const BoardContext = createContext<LiveBoard | null>(null)
export const ProofContext = createContext<Proof | null>(null)
export const LiveProofContext = createContext<LiveProof | null>(null)
export const ViewContext = createContext<JobView | null>(null)
export const StoreContext = createContext<JobStore | null>(null)

function useInside<T>(context: Context<T | null>): T {
  const value = useContext(context)
  if (!value) throw new Error('used outside a JobScreen')
  return value
}

export const useJobScreen = (): JobScreenValue => useInside(JobContext)
/** The wiring at this instant, for whoever acts on it. */
export const useBoard = (): LiveBoard => useInside(BoardContext)
/**
 * One look at the wiring at this instant; draws again only when it gives something else.
 * @param look must give the same object or text while nothing has changed for it
 */
export function useLook<T>(look: (now: LiveValue) => T): T {
  const board = useBoard()
  const get = () => look(board.get()!)
  return useSyncExternalStore(board.subscribe, get, get)
}
export const useSituationNow = (): SituationValue => useInside(SituationContext)
/** The proof as the calm parts of the screen know it; there is always one, for nothing is shown before the first. */
export const useProof = (): Proof => useInside(ProofContext)
export const useLiveProof = (): LiveProof => useInside(LiveProofContext)
/** The newest proof, which may be of an earlier state of the wiring. */
export function useProofNow(): Proof {
  const live = useLiveProof()
  return useSyncExternalStore(live.subscribe, live.get, live.get)!.proof
}
/** The document with what waits to be saved, what can be undone and what is to be decided. */
export const useJobView = (): JobView => useInside(ViewContext)
/** The document's keeper, for what must be said of it in its own moment. */
export const useJobStore = (): JobStore => useInside(StoreContext)
