import type { Installation } from '@/core/installation'
import type { Finding, Fix, Proof } from '@/core/laws'
import { installationOf } from '@/jobfile'
import type { JobStore } from '@/client'
import { ProofRunner } from '@/workers'
import type { Source } from './LiveBoard'

/** A proof, and the wiring that it is of. */
export interface Proven {
  proof: Proof
  of: Installation
}

/**
 * The proof of the wiring, from the worker; the last one stays, stale, until the next is there. It is asked for by the
 * edit itself and not by the drawing that follows it: the two go on side by side.
 */
export class LiveProof implements Source<Proven | null> {
  private readonly runner = new ProofRunner()
  /** Each search for mends has a worker of its own: it takes many sweeps, and no proof waits for it. */
  private readonly searches = new Set<ProofRunner>()
  private readonly listeners = new Set<() => void>()
  private readonly stop: () => void
  private asked: Installation | null = null
  private value: Proven | null = null

  constructor(private readonly store: JobStore) {
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

  private ask(): void {
    const { job } = this.store.getView()
    const inst = job && installationOf(job)
    if (!inst || inst === this.asked) return
    this.asked = inst
    this.endSearches()
    this.runner.request(inst, (proof) => {
      this.value = { proof, of: inst }
      this.tell()
    })
    if (this.value) this.tell()
  }

  private tell(): void {
    for (const l of this.listeners) l()
  }
}
