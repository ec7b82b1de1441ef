import { wrap, type Remote } from 'comlink'
import type { Installation } from '@/core/installation'
import type { Finding, Fix, Proof } from '@/core/rules'
import { Packer } from './payload'
import type { ProofWork } from './proof.worker'

/** Takes a proof, or null and why there is none. */
type Done = (proof: Proof | null, failed: string | null) => void

/** Runs proofs in a worker, one at a time; of several asked for meanwhile only the latest is run. */
export class ProofRunner {
  private worker: Worker
  private work: Remote<ProofWork>
  private packer = new Packer()
  /** Rejects what the worker is at when it breaks down: its own promise would stay open for ever. */
  private broken: (why: Error) => void = () => undefined
  private running = false
  private next: { inst: Installation; done: Done } | null = null

  constructor() {
    this.worker = this.start()
    this.work = wrap<ProofWork>(this.worker)
  }

  private start(): Worker {
    const worker = new Worker(new URL('./proof.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('error', (e) => this.broken(new Error(e.message || 'the worker broke down')))
    return worker
  }

  /** Asks for a proof; `done` is called unless a later request has taken its place. */
  request(inst: Installation, done: Done): void {
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

  /** A worker that threw may hold half of something: the next proof gets a new one. */
  private restart(): void {
    this.worker.terminate()
    this.worker = this.start()
    this.work = wrap<ProofWork>(this.worker)
    this.packer = new Packer()
  }

  private async run(): Promise<void> {
    this.running = true
    while (this.next) {
      const { inst, done } = this.next
      this.next = null
      try {
        const breakdown = new Promise<never>((_, reject) => (this.broken = reject))
        const proof = await Promise.race([this.work.prove(this.packer.pack(inst)), breakdown])
        if (!this.next) done(proof, null)
      } catch (e) {
        this.restart()
        if (!this.next) done(null, (e as Error).message)
      }
    }
    this.running = false
  }
}
