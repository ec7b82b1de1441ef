import { feltLeaves, type Transition, type Truth, type When } from '../equipment'
import type { Ref } from '../installation'
import type { PlacedMode } from '../situation'
import { required } from '../assert'

/** The state in which a mode stands. */
export interface Slot {
  state: string
}

/** A way out of a state, with its count. */
export interface Counter {
  mode: PlacedMode
  transition: Transition
  /** Present state of its mode, shared by all ways out of it. */
  slot: Slot
  /** s that it takes; null: a setting that nobody knows; undefined: not asked yet. */
  after: number | null | undefined
  /** s counted so far, and how many of them each second counts. */
  counted: number
  rate: number
  /** Last answer of `when`. */
  was: Truth
  /** For those that count from an instant: whether that instant has been. */
  begun: boolean
  /** Its place among all of them. */
  at: number
  /** Whether what it counts by, and what takes its count away, depend on something felt. */
  felt: boolean
  resetFelt: boolean
}

/** Every way out of every mode, nothing counted yet. */
export const countersOf = (modes: readonly PlacedMode[], slots: ReadonlyMap<Ref, Slot>): Counter[] =>
  modes
    .flatMap((mode) => (mode.mode.transitions ?? []).map((transition) => ({ mode, transition })))
    .map(({ mode, transition }, at): Counter => ({
      mode,
      transition,
      slot: required(slots.get(mode.ref), `where ${mode.ref} stands`),
      after: undefined,
      counted: 0,
      rate: 1,
      was: 'unknown',
      begun: false,
      at,
      felt: feltLeaves(transition.when).length > 0,
      resetFelt: feltLeaves(transition.reset).length > 0,
    }))

/**
 * Answers of all counters' conditions in one situation with one state of the circuit. Answers that depend on air or a
 * coil are cached for the last temperatures, the others permanently: a run returns to the same few of them.
 */
export class Truths {
  private readonly whens: (Truth | undefined)[]
  private readonly resets: (Truth | undefined)[]
  private readonly feltAt: number[]

  constructor(counters: number) {
    this.whens = new Array<Truth | undefined>(counters).fill(undefined)
    this.resets = new Array<Truth | undefined>(counters).fill(undefined)
    this.feltAt = new Array<number>(counters).fill(NaN)
  }

  /** @param felt a number that is another whenever something felt is; NaN: it may always be */
  when(c: Counter, felt: number, ask: (c: Counter, when: When) => Truth): Truth {
    const { when } = c.transition
    if (!when) return 'yes'
    const known = this.whens[c.at]
    if (known !== undefined && (!c.felt || this.feltAt[c.at] === felt)) return known
    if (c.felt) this.feltAt[c.at] = felt
    return (this.whens[c.at] = ask(c, when))
  }

  reset(c: Counter, ask: (c: Counter, when: When) => Truth): Truth {
    const { reset } = c.transition
    if (!reset) return 'no'
    if (c.resetFelt) return ask(c, reset)
    return (this.resets[c.at] ??= ask(c, reset))
  }
}
