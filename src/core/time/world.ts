import type { Call, Felt, Unknowable } from '../equipment'
import type { Settled } from '../circuit'
import type { Placed } from '../installation'
import type { Situation } from '../situation'
import type { DegF } from '../units'

/** Why a thermostat asks for more, or for less. */
export type DemandCause =
  /** The room is so far below, or above, what it is held at. */
  | { why: 'differential'; offF: number }
  /** @param taken where nobody knows the droop: it is what is usual */
  | { why: 'droop'; offF: number; droopF: number; taken?: true }
  /** The stage below has run for so long without catching up, s. */
  | { why: 'upstage'; seconds: number }
  | { why: 'satisfied' }
  /** Somebody turned it, or its schedule did. */
  | { why: 'set' }

/** Surroundings of the circuit: a house, weather, and somebody's thermostat. */
export interface World {
  /** Present call, and the reason of its last change; asked before anything changes at an instant. */
  demand(now: number): { call: Call; cause: DemandCause }
  /** Something goes wrong at the site, or is put right. */
  happens(site: string): void
  /** °F outdoors as the circuit can tell it: one temperature for all that it answers alike to. */
  outdoorF(): DegF
  /** °F of air and coil where a device stands; null: nobody knows. */
  feels(placed: Placed, what: Felt): Unknowable<number>
  /** Name of a fault that makes a device sense another value than the true one; null: none. */
  misfeels?(what: Felt): string | null
  /** A number that is another whenever something felt has passed a temperature at which a mode goes its way. */
  feltNumber(): number
  /**
   * Lets time pass while the circuit stands so: up to `until`, or to the first instant at which a call, a class of outdoor
   * temperature or something felt has changed. Gives the s that it stopped at.
   */
  pass(now: number, until: number, situation: Situation, state: Settled): number
}
