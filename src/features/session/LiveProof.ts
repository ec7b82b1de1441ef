import type { Installation } from '@/core/installation'
import { withSite, type Finding, type Fix, type Proof } from '@/core/rules'
import { jobSeen, type Job } from '@/jobfile'
import type { JobStore } from '@/client'
import { ProofRunner } from '@/workers'
import type { JobAnalyses } from './JobAnalyses'
import type { Proven, ProofSource } from './sessionState'

/** A proof that could not be finished claims nothing. */
const NOTHING_PROVEN: Proof = {
  tooMany: null,
  factors: { calls: 0, temperatures: 0, mostModes: 0, assumptions: 0, otherRests: 0 },
  solved: 0,
  assumed: [],
  rules: [],
  findings: [],
  undecided: [],
}

/**
 * The proof of the wiring, from the worker; the last one stays, stale, until the next is there. It is asked for by the
 * edit itself and not by the drawing that follows it: the two go on side by side.
 */
export class LiveProof implements ProofSource {
  private readonly runner = new ProofRunner()
  /** Each search for mends has a worker of its own: it takes many sweeps, and no proof waits for it. */
  private readonly searches = new Set<ProofRunner>()
  private readonly listeners = new Set<() => void>()
  private readonly stop: () => void
  private asked: Installation | null = null
  private value: Proven | null = null
  /** What was proven of the wiring alone, and the job that it is shown for. */
  private wiring: Proven | null = null
  private shownFor: Job | null = null
  private failed: string | null = null

  constructor(
    private readonly store: JobStore,
    private readonly analyses: JobAnalyses,
  ) {
    this.ask()
    this.stop = store.subscribe(() => this.ask())
  }

  get = (): Proven | null => this.value
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** Whether the wiring has changed since the last proof. */
  stale = (): boolean => this.value?.of !== this.asked

  /** The changes that would clear a finding. A search that an edit has overtaken is ended and gives no answer. */
  fixes = async (inst: Installation, finding: Finding): Promise<Fix[]> => {
    const search = new ProofRunner()
    this.searches.add(search)
    try {
      return await search.fixes(inst, finding)
    } finally {
      search.close()
      this.searches.delete(search)
    }
  }

  close(): void {
    this.stop()
    this.endSearches()
    this.runner.close()
  }

  private endSearches(): void {
    for (const search of this.searches) search.close()
    this.searches.clear()
  }

  /** Why the last proof could not be finished; null while it could. */
  failure = (): string | null => this.failed

  private ask(): void {
    const { job } = this.store.getView()
    if (!job) return
    const { inst } = this.analyses.of(job)
    if (inst === this.asked) return this.show(job)
    this.asked = inst
    this.endSearches()
    this.runner.request(inst, (proof, failed) => {
      this.failed = failed
      this.wiring = { proof: proof ?? NOTHING_PROVEN, of: inst }
      this.shownFor = null
      this.show(this.store.getView().job)
    })
    if (this.value) this.tell()
  }

  /** Adds what the house has to say to what was proven of the wiring; an edit of neither changes nothing. */
  private show(job: Job | null): void {
    if (!job || !this.wiring || this.shownFor === job) return
    const { setup, commissioning, readings } = this.shownFor ?? {}
    const same = job.setup === setup && job.commissioning === commissioning && job.readings === readings
    this.shownFor = job
    if (same && this.value) return
    this.value = {
      proof: withSite(this.wiring.proof, jobSeen(job, this.analyses.of(job).inst)),
      of: this.wiring.of,
    }
    this.tell()
  }

  private tell(): void {
    for (const l of this.listeners) l()
  }
}
