import { wrap, type Remote } from 'comlink'
import type { Installation } from '@/core/installation'
import type { Finding, Fix, Proof } from '@/core/laws'
import { Packer } from './payload'
import type { ProofWork } from './proof.worker'

/** Runs proofs in a worker, one at a time; of several asked for meanwhile only the latest is run. */
export class ProofRunner {
  private readonly worker: Worker
  private readonly work: Remote<ProofWork>
  private readonly packer = new Packer()
  private running = false
  private next: { inst: Installation; done: (p: Proof) => void } | null = null

  constructor() {
    this.worker = new Worker(new URL('./proof.worker.ts', import.meta.url), { type: 'module' })
    this.work = wrap<ProofWork>(this.worker)
  }

  /** Asks for a proof; `done` is called unless a later request has taken its place. */
  request(inst: Installation, done: (proof: Proof) => void): void {
    this.next = { inst, done }
    if (!this.running) void this.run()
  }

  fixes(inst: Installation, finding: Finding): Promise<Fix[]> {
    return this.work.fixes(this.packer.pack(inst), finding)
  }

  close(): void {
    this.next = null
    this.worker.terminate()
  }

  private async run(): Promise<void> {
    this.running = true
    while (this.next) {
      const { inst, done } = this.next
      this.next = null
      const proof = await this.work.prove(this.packer.pack(inst))
      if (!this.next) done(proof)
    }
    this.running = false
  }
}
