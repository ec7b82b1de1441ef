/** Time, as a page has it. */
export interface PageClock {
  now: () => number
  /** Calls once the page has painted its next frame; gives what calls it off. */
  painted: (act: () => void) => () => void
  after: (ms: number, act: () => void) => () => void
  /** A page that is not shown paints nothing. */
  hidden: () => boolean
}

/** Longest wait, ms, of what follows the drawing for a proof that is on its way. */
const PROOF_WAIT = 150

/**
 * When the calmer parts of a screen are drawn again: after the screen has been painted and, where a proof is on its way,
 * together with it. The conductors and the verdict come first, and nothing else is drawn in their way.
 */
export class Patience {
  private since = 0
  private state: 'idle' | 'painting' | 'waiting' = 'idle'
  /** A proof was on its way when the frame was asked for. */
  private awaits = false
  private callOff: () => void = () => undefined

  /**
   * @param stale whether a proof is on its way
   * @param draw draws the calm parts; `urgent` when nobody is kept waiting by it
   */
  constructor(
    private readonly clock: PageClock,
    private readonly stale: () => boolean,
    private readonly draw: (how: 'urgent' | 'calm') => void,
  ) {}

  /** Something has changed: the wiring, the situation, or the proof has come. */
  changed(): void {
    if (this.clock.hidden()) return this.draw('urgent')
    // A proof that has come meanwhile is seen in the next frame: that is the one to wait for.
    if (this.state === 'painting' && !(this.awaits && !this.stale())) return
    if (this.state === 'idle') this.since = this.clock.now()
    else if (this.stale()) return
    this.stop()
    this.state = 'painting'
    this.awaits = this.stale()
    this.callOff = this.clock.painted(() => this.look())
  }

  stop(): void {
    this.callOff()
    this.callOff = () => undefined
    this.state = 'idle'
  }

  private look(): void {
    const waited = this.clock.now() - this.since
    if (this.stale() && waited < PROOF_WAIT) {
      this.state = 'waiting'
      this.callOff = this.clock.after(PROOF_WAIT - waited, () => this.look())
    } else {
      this.state = 'idle'
      this.draw('calm')
    }
  }
}

/** The browser's. */
export const pageClock: PageClock = {
  now: () => performance.now(),
  painted: (act) => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const frame = requestAnimationFrame(() => (timer = setTimeout(act)))
    return () => {
      cancelAnimationFrame(frame)
      clearTimeout(timer)
    }
  },
  after: (ms, act) => {
    const timer = setTimeout(act, ms)
    return () => clearTimeout(timer)
  },
  hidden: () => document.visibilityState === 'hidden',
}
