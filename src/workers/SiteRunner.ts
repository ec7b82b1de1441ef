import type { SiteFault } from '@/core/instruments'
import type { Installation } from '@/core/installation'
import { Packer } from './payload'
import type { SiteAsked, SiteSaid } from './site.worker'

/** A hidden site with its stand-in instruments, for as long as it is open. They speak on the instruments' channel. */
export class SiteRunner {
  private readonly worker: Worker
  private readonly packer = new Packer()

  constructor() {
    this.worker = new Worker(new URL('./site.worker.ts', import.meta.url), { type: 'module' })
  }

  /** Stands the site up; the same seed hides the same. */
  stand(inst: Installation, seed: number, hasFault: boolean): void {
    const asked: SiteAsked = { kind: 'site', payload: this.packer.pack(inst), seed, hasFault }
    this.worker.postMessage(asked)
  }

  /** What was hidden; null: nothing. */
  reveal(): Promise<SiteFault | null> {
    return new Promise((resolve) => {
      this.worker.addEventListener('message', ({ data }: MessageEvent<SiteSaid>) => resolve(data.fault), {
        once: true,
      })
      const asked: SiteAsked = { kind: 'reveal' }
      this.worker.postMessage(asked)
    })
  }

  close(): void {
    this.worker.terminate()
  }
}
