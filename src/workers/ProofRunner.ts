import type { Remote } from 'comlink'
import type { Installation } from '@/core/installation'
import type { Finding, Fix, Proof } from '@/core/rules'
import { Packer } from './payload'
import type { ProofWork } from './proof.worker'

/** Takes a proof, or null and why there is none. */
type Done = (proof: Proof | null, failed: string | null) => void

interface Running {
  worker: Worker
  work: Remote<ProofWork>
  packer: Packer
}

/**
 * Runs proofs in a worker, one at a time; of several asked for meanwhile only the latest is run. The worker is started by the
 * first of them.
 */
export class ProofRunner {
  private started: Promise<Running> | null = null
  /** Rejects what the worker is at when it breaks down: its own promise would stay open for ever. */
  private broken: (why: Error) => void = () => undefined
  private running = false
  private next: { inst: Installation; done: Done } | null = null

  private worker = (): Promise<Running> => (this.started ??= this.start())

  private async start(): Promise<Running> {
    const worker = new Worker(new URL('./proof.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('error', (e) => this.broken(new Error(e.message || 'the worker broke down')))
    try {
      const { wrap } = await import('comlink')
      return { worker, work: wrap<ProofWork>(worker), packer: new Packer() }
    } catch (e) {
      worker.terminate()
      throw e
    }
  }

  /** Asks for a proof; `done` is called unless a later request has taken its place. */
  request(inst: Installation, done: Done): void {
    this.next = { inst, done }
    if (!this.running) void this.run()
  }

  async fixes(inst: Installation, finding: Finding): Promise<Fix[]> {
    const { work, packer } = await this.worker()
    return work.fixes(packer.pack(inst), finding)
  }

  close(): void {
    this.next = null
    this.end()
  }

  /** A worker that threw may hold half of something: the next proof gets a new one. */
  private end(): void {
    void this.started?.then(
      ({ worker }) => worker.terminate(),
      () => undefined,
    )
    this.started = null
  }

  private async run(): Promise<void> {
    this.running = true
    while (this.next) {
      const { inst, done } = this.next
      this.next = null
      try {
        const breakdown = new Promise<never>((_, reject) => (this.broken = reject))
        const { work, packer } = await this.worker()
        const proof = await Promise.race([work.prove(packer.pack(inst)), breakdown])
        if (!this.next) done(proof, null)
      } catch (e) {
        this.end()
        if (!this.next) done(null, (e as Error).message)
      }
    }
    this.running = false
  }
}
