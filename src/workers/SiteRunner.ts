import { wrap, type Remote } from 'comlink'
import type { SiteFault } from '@/core/instruments'
import type { Installation } from '@/core/installation'
import { Packer } from './payload'
import type { SiteWork } from './site.worker'

/** A hidden site with its stand-in instruments, for as long as it is open. They speak on the instruments' channel. */
export class SiteRunner {
  private readonly worker: Worker
  private readonly work: Remote<SiteWork>
  private readonly packer = new Packer()

  constructor() {
    this.worker = new Worker(new URL('./site.worker.ts', import.meta.url), { type: 'module' })
    this.work = wrap<SiteWork>(this.worker)
  }

  /** Stands the site up; the same seed hides the same. */
  stand(inst: Installation, altitudeFt: number, seed: number, hasFault: boolean): Promise<void> {
    return this.work.stand(this.packer.pack(inst), altitudeFt, seed, hasFault)
  }

  /** The hidden fault; null: there was none. */
  reveal(): Promise<SiteFault | null> {
    return this.work.reveal()
  }

  close(): void {
    this.worker.terminate()
  }
}
