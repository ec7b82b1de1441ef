import type { Installation } from '@/core/installation'
import { withSite, type Finding, type Fix, type Proof } from '@/core/rules'
import type { Job, JobProof } from '@/jobfile'
import type { JobStore } from '@/client'
import { ProofRunner } from '@/workers'
import type { JobAnalyses } from './JobAnalyses'
import type { Proven, ProofSource } from './sessionState'
import { whenIdle } from './whenIdle'

/** ms that the server's proof is waited for, and after which one of the browser's own follows it. */
const [SERVER_MS, OWN_MS] = [500, 800]

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
 * edit itself and not by the drawing that follows it: the two go on side by side. The very first is the server's, of the same
 * wiring by the same rules, if it is at hand: the worker is fetched behind the first look, and then proves it again.
 */
export class LiveProof implements ProofSource {
  private readonly runner = new ProofRunner()
  /** Each search for mends has a worker of its own: it takes many sweeps, and no proof waits for it. */
  private readonly searches = new Set<ProofRunner>()
  private readonly listeners = new Set<() => void>()
  private readonly stop: () => void
  private asked: Installation | null = null
  private value: Proven | null = null
  /** Proof of the wiring alone, and the job that it is shown for. */
  private wiring: Proven | null = null
  private shownFor: Job | null = null
  private failed: string | null = null
  private isFirst = true
  /** Calls off the proof of the browser's own that is to follow the server's. */
  private callOff = () => undefined as void

  /** @param server what the server has proven of the job; null: nothing */
  constructor(
    private readonly store: JobStore,
    private readonly analyses: JobAnalyses,
    private readonly server: Promise<JobProof | null>,
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
    this.callOff()
    this.asked = null
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
    this.callOff()
    if (this.isFirst) void this.first(inst)
    else this.prove(inst)
    this.isFirst = false
    if (this.value) this.tell()
  }

  private prove(inst: Installation): void {
    this.runner.request(inst, (proof, failed) => this.take(inst, proof, failed))
  }

  private take(inst: Installation, proof: Proof | null, failed: string | null): void {
    this.failed = failed
    this.wiring = { proof: proof ?? NOTHING_PROVEN, of: inst }
    this.shownFor = null
    this.show(this.store.getView().job)
  }

  private async first(inst: Installation): Promise<void> {
    const late = new Promise<null>((resolve) => setTimeout(resolve, SERVER_MS, null))
    const found = await Promise.race([this.server, late])
    // The job itself is drawn first: what it says of the house is worked out after that.
    await new Promise((resolve) => setTimeout(resolve))
    // An edit made meanwhile has asked for a proof of its own.
    if (this.asked !== inst) return
    const { version, waiting } = this.store.getView()
    const isOfThis =
      waiting === 0 && found?.version === version && found.engine === process.env.GATE_CROSS_ENGINE
    if (!isOfThis || !found.proof) return this.prove(inst)
    this.take(inst, found.proof, null)
    this.callOff = whenIdle(() => this.prove(inst), OWN_MS, 2000)
  }

  /** Adds what the house has to say to what was proven of the wiring; an edit of neither changes nothing. */
  private show(job: Job | null): void {
    if (!job || !this.wiring || this.shownFor === job) return
    const { setup, commissioning, readings } = this.shownFor ?? {}
    const same = job.setup === setup && job.commissioning === commissioning && job.readings === readings
    this.shownFor = job
    if (same && this.value) return
    this.value = {
      proof: withSite(this.wiring.proof, this.analyses.of(job).seen),
      of: this.wiring.of,
    }
    this.tell()
  }

  private tell(): void {
    for (const l of this.listeners) l()
  }
}
