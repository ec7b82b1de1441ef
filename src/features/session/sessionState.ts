import { createStore, type StoreApi } from 'zustand'
import type { Solved } from '@/core/circuit'
import type { Installation, Ref } from '@/core/installation'
import type { Proof } from '@/core/rules'
import type { Situation } from '@/core/situation'
import type { JobStore, JobView } from '@/client'
import type { Job, JobAnalysis } from '@/jobfile'
import type { JobAnalyses } from './JobAnalyses'
import { closedInstead, terminalVolts, type TerminalVolts } from '@/core/startup'
import { solvedAt } from './sceneInstant'

/** Something outside React that can be looked at and listened to. */
export interface Source<T> {
  get: () => T
  subscribe: (listener: () => void) => () => void
}

/** The wiring at this instant, solved for the situation at this instant. */
export interface LiveValue {
  job: Job
  analysis: JobAnalysis
  inst: Installation
  situation: Situation
  solved: Solved
  volts: ReadonlyMap<Ref, TerminalVolts>
  /** Loads that have their volts. */
  running: ReadonlySet<Ref>
  /** Loads that run or do not by a contact of which it is not known how it stands. */
  unsure: ReadonlySet<Ref>
}

/** A proof, and the wiring that it is of. */
export interface Proven {
  proof: Proof
  of: Installation
}

/** Source of the newest proof. */
export interface ProofSource extends Source<Proven | null> {
  /** Whether the wiring has changed since the last proof. */
  stale: () => boolean
  /** Why the last proof could not be finished; null while it could. */
  failure: () => string | null
}

/** All that a screen of a job looks at. */
export interface SessionState {
  /** The document with what waits to be saved, what can be undone and what is to be decided. */
  view: JobView
  /** null until the job is here. */
  live: LiveValue | null
  /** null until there is a first proof. */
  proven: Proven | null
  stale: boolean
  failure: string | null
}

const NONE: ReadonlySet<Ref> = new Set()
/** Refs that are in only one of two sets. */
const differing = (a: ReadonlySet<Ref>, b: ReadonlySet<Ref>): ReadonlySet<Ref> =>
  new Set([...a, ...b].filter((ref) => a.has(ref) !== b.has(ref)))

/** Solves a wiring in a situation for the screen. */
function liveValueIn(analysis: JobAnalysis, situation: Situation): LiveValue {
  const { inst, job } = analysis
  const ofScene = solvedAt(analysis.circuit, situation)
  const solved = ofScene ?? analysis.wiring.solve(situation)
  const other = ofScene ? null : closedInstead(solved)
  const running = new Set(solved.ok ? solved.running.map((l) => l.ref) : [])
  const unsure = other ? differing(running, new Set(other.running.map((l) => l.ref))) : NONE
  const volts = terminalVolts(solved, other)
  return { job, analysis, inst, situation, solved, volts, running, unsure }
}

/** The state of a job's screen, which follows the document, the situation and the proof until it is closed. */
export function openSessionState(
  store: JobStore,
  analyses: JobAnalyses,
  situations: Source<Situation>,
  proof: ProofSource,
): { state: StoreApi<SessionState>; close: () => void } {
  const live = (last: LiveValue | null): LiveValue | null => {
    const { job } = store.getView()
    const situation = situations.get()
    if (!job) return null
    if (last?.job === job && last.situation === situation) return last
    const analysis = analyses.of(job)
    // A note or a reading changes no volts: what was solved stands.
    const same = last?.analysis.wiring === analysis.wiring && last.situation === situation
    return same ? { ...last, job, analysis } : liveValueIn(analysis, situation)
  }
  const now = (last: LiveValue | null): SessionState => ({
    view: store.getView(),
    live: live(last),
    proven: proof.get(),
    stale: proof.stale(),
    failure: proof.failure(),
  })
  const state = createStore<SessionState>(() => now(null))
  const follow = () => state.setState((last) => now(last.live))
  let first: ReturnType<typeof setTimeout> | null = null
  const followFirst = () => {
    first = null
    follow()
  }
  const followStore = () => {
    // The job has just been taken in, which is work enough for one go: it is solved in the next.
    if (store.getView().job && !state.getState().live) first ??= setTimeout(followFirst)
    else follow()
  }
  const stops = [store.subscribe(followStore), situations.subscribe(follow), proof.subscribe(follow)]
  const close = () => {
    if (first) clearTimeout(first)
    stops.forEach((stop) => stop())
  }
  return { state, close }
}
