import { asVolts, type Ohms, type Volts } from '../units'
import { complexes, quadratic, type Factors, type EliminationPlan } from './elimination'
import { GROUND } from './netlist'

/** Ω, complex. */
export interface Impedance {
  re: number
  im: number
}

/**
 * Impedance, Ω, that a factored circuit shows between two nodes, either of which may be earth: the volts that 1 A driven
 * in at one and out at the other makes between them.
 * @param room is spent and may be handed in again; whoever asks often of one circuit need not make it anew
 */
export function impedanceBetween(
  plan: EliminationPlan,
  factors: Factors,
  a: number,
  b: number,
  room = complexes(plan.size),
): Impedance {
  room.re.fill(0)
  room.im.fill(0)
  if (a !== GROUND) room.re[a] = 1
  if (b !== GROUND) room.re[b]! -= 1
  return quadratic(plan, factors, room)
}

/** V that a meter of so many Ω shows: it divides the open volts with the circuit's own impedance (Thévenin). */
export const shownBy = (ohms: Ohms, open: Volts, seen: Impedance): Volts =>
  asVolts(open / Math.hypot(1 + seen.re / ohms, seen.im / ohms))
