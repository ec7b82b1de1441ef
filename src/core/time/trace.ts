import type { Call, FeltCause, Transition } from '../equipment'
import type { Settled } from '../circuit'
import type { Ref } from '../installation'
import type { Situation } from '../situation'
import type { DegF } from '../units'
import type { CountCurve } from './curves'
import type { DemandCause } from './world'

/**
 * Something from outside, at its second: a call begins or ends, the weather turns, a part fails or is put right; a device's
 * speed-up pins are held, so that its interval counts so many times faster, or let go (1); something goes wrong at the site that
 * no contact shows.
 */
export type OutsideEvent = { at: number } & (
  | { call: Call }
  | { outdoorF: DegF }
  | { mode: Ref; state: string }
  | { device: string; faster: number }
  | { site: string }
)

/** The temperature that let a mode go its way; `site`: what is wrong where it is felt. */
export interface ModeCause extends FeltCause {
  site: string | null
}

/** A change, with the delay that led to it. */
export type Move =
  | { kind: 'outside'; event: OutsideEvent }
  | { kind: 'demand'; from: Call; call: Call; cause: DemandCause }
  | { kind: 'weather'; outdoorF: DegF }
  /** `waited`: s that were counted; 0 for one that goes at once. */
  | {
      kind: 'mode'
      ref: Ref
      from: string
      to: string
      waited: number
      transition: Transition
      because: ModeCause | null
    }
  | { kind: 'contact'; ref: Ref; closes: boolean; waited: number }
  | { kind: 'load'; ref: Ref; on: boolean }

/** An instant at which something moved, and how everything stands from then on. */
export interface Step {
  /** s since the beginning. */
  at: number
  moves: Move[]
  situation: Situation
  state: Settled
  /** Loads that do something and have their volts. */
  running: Ref[]
}

export interface Trace {
  /** The first stands at 0 s, before anything moved. */
  steps: Step[]
  /** rest: nothing waits any more; until: the time was up; chatter: it never settles at that second. */
  ended: 'rest' | 'until' | 'chatter'
  /** Delays whose setting nobody knows: what waits for them never moves here. */
  untimed: Ref[]
  /** How the counts that accumulate filled, where they were asked for. */
  counts: CountCurve[]
}
