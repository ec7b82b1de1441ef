import { wrap, type Remote } from 'comlink'
import type { CrossingView } from '@/core/crossing'
import type { JobSeen, SettingChange } from '@/core/installation'
import type { CrossingWork, GatePreview } from './crossing.worker'
import { Packer } from './payload'

/** Crossing's arithmetic in a worker of its own. Of several previews asked for while one is at work, the latest is made. */
export class CrossingRunner {
  private readonly worker: Worker
  private readonly work: Remote<CrossingWork>
  private readonly packer = new Packer()
  private busy = false
  private next: (() => Promise<void>) | null = null

  constructor() {
    this.worker = new Worker(new URL('./crossing.worker.ts', import.meta.url), { type: 'module' })
    this.work = wrap<CrossingWork>(this.worker)
  }

  /** All that Crossing says of a job; `done` is called unless a later request has taken its place. */
  view({ inst, ...rest }: JobSeen, done: (view: CrossingView) => void): void {
    this.ask(async () => {
      const view = await this.work.view(this.packer.pack(inst), rest)
      if (!this.next) done(view)
    })
  }

  /** Asks for the result of changed settings; `done` as above. */
  preview({ inst, ...rest }: JobSeen, changes: SettingChange[], done: (p: GatePreview) => void): void {
    this.ask(async () => {
      const preview = await this.work.preview(this.packer.pack(inst), rest, changes)
      if (!this.next) done(preview)
    })
  }

  close(): void {
    this.next = null
    this.worker.terminate()
  }

  private ask(job: () => Promise<void>): void {
    this.next = job
    if (!this.busy) void this.run()
  }

  private async run(): Promise<void> {
    this.busy = true
    try {
      while (this.next) {
        const job = this.next
        this.next = null
        await job()
      }
    } finally {
      // A request that fails stops none of those after it.
      this.busy = false
    }
  }
}
