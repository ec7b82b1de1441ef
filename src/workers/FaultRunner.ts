import { proxy, wrap, type Remote } from 'comlink'
import type { Diagnosis, Effect, MeterAnswer, Symptom } from '@/core/failures'
import type { Installation } from '@/core/installation'
import type { FaultWork } from './fault.worker'
import { Packer } from './payload'

/** Work about failures, in a worker of its own, so that it never stands in the way of a proof. Closing it cancels. */
export class FaultRunner {
  private readonly worker: Worker
  private readonly work: Remote<FaultWork>
  private readonly packer = new Packer()

  constructor() {
    this.worker = new Worker(new URL('./fault.worker.ts', import.meta.url), { type: 'module' })
    this.work = wrap<FaultWork>(this.worker)
  }

  failures(inst: Installation, step: (done: number, of: number) => void): Promise<Effect[]> {
    return this.work.failures(this.packer.pack(inst), proxy(step))
  }

  diagnose(inst: Installation, symptom: Symptom, answers: MeterAnswer[]): Promise<Diagnosis> {
    return this.work.diagnose(this.packer.pack(inst), symptom, answers)
  }

  close(): void {
    this.worker.terminate()
  }
}
