import type { Analysis } from '@/core/analysis'
import type { Solved } from '@/core/circuit'
import type { Installation, Ref } from '@/core/installation'
import type { Situation } from '@/core/situation'
import type { Job } from '@/jobfile'
import type { JobStore } from '@/client'
import type { JobAnalyses } from './JobAnalyses'
import { terminalVolts, type TerminalVolts } from './liveness'

/** The wiring at this instant, solved for the situation at this instant. */
export interface LiveValue {
  job: Job
  analysis: Analysis
  inst: Installation
  situation: Situation
  solved: Solved
  volts: ReadonlyMap<Ref, TerminalVolts>
  /** Loads that have their volts. */
  running: ReadonlySet<Ref>
}

/** Something outside React that can be looked at and listened to. */
export interface Source<T> {
  get: () => T
  subscribe: (listener: () => void) => () => void
}

/**
 * What must follow an edit or the finger at once. It stands outside React: each piece of the drawing listens for itself
 * and is drawn again only when its own look has changed. Worked out when it is first asked for.
 */
export class LiveBoard implements Source<LiveValue | null> {
  private of: { job: Job; situation: Situation } | null = null
  private value: LiveValue | null = null

  constructor(
    private readonly store: JobStore,
    private readonly analyses: JobAnalyses,
    private readonly situations: Source<Situation>,
  ) {}

  get = (): LiveValue | null => {
    const { job } = this.store.getView()
    const situation = this.situations.get()
    if (!job) return null
    if (this.of?.job === job && this.of.situation === situation) return this.value
    const analysis = this.analyses.of(job)
    // A note or a reading changes no volts: what was solved stands.
    const { value } = this
    this.value =
      value?.analysis === analysis && this.of?.situation === situation
        ? { ...value, job }
        : this.light(job, analysis, situation)
    this.of = { job, situation }
    return this.value
  }

  private light(job: Job, analysis: Analysis, situation: Situation): LiveValue {
    const { inst } = analysis
    const solved = analysis.solve(situation)
    const running = new Set(solved.ok ? solved.running.map((l) => l.ref) : [])
    return { job, analysis, inst, situation, solved, volts: terminalVolts(inst, solved), running }
  }

  subscribe = (listener: () => void): (() => void) => {
    const stops = [this.store.subscribe(listener), this.situations.subscribe(listener)]
    return () => stops.forEach((stop) => stop())
  }
}
