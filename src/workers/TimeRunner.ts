import { proxy, wrap, type Remote } from 'comlink'
import type { JobSeen } from '@/core/installation'
import type { Variation, Scene, SceneOptions, Tape } from '@/core/simulation'
import type { TimeWork, WinterFound } from './time.worker'
import { Packer } from './payload'

/** Scenes and winters in a worker of its own. */
export class TimeRunner {
  private readonly worker: Worker
  private readonly work: Remote<TimeWork>
  private readonly packer = new Packer()

  constructor() {
    this.worker = new Worker(new URL('./time.worker.ts', import.meta.url), { type: 'module' })
    this.work = wrap<TimeWork>(this.worker)
  }

  scene(seen: JobSeen, scene: Scene, options: SceneOptions, otherwise: Variation | null): Promise<Tape> {
    const { inst, ...rest } = seen
    return this.work.scene(this.packer.pack(inst), rest, scene, options, otherwise)
  }

  /** @param onShare hears how much of it is done, from 0 to 1 */
  winter({ inst, ...rest }: JobSeen, onShare: (share: number) => void): Promise<WinterFound> {
    return this.work.winter(this.packer.pack(inst), rest, proxy(onShare))
  }

  close(): void {
    this.worker.terminate()
  }
}
