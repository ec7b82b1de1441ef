import type { Duration } from './transition'
import type { Quantity } from './value'

/**
 * How a thermostat makes calls of a room and a setpoint. What is left out goes by the device's settings with the intent
 * that stands beside it, and where it has none by what is usual.
 */
export interface Demand {
  /** Δ°F below the setpoint at which the first stage is called, and over it at which it is released. */
  firstF?: Quantity
  overF?: Quantity
  /** Δ°F below that of the first at which the second is called, and s for which it must have been so (stageDifferential). */
  secondF?: Quantity
  secondAfter?: Duration
  /** Δ°F below the setpoint at which backup is called (droop, or stripOn), and the part of it at which it is released. */
  backupF?: Quantity
  releaseShare?: number
  /** s for which the heat pump runs without catching up until backup is called; 0: never (upstageTimer). */
  backupAfter?: Duration
  /** Calls an hour at half load; a stage that goes by them does not go by its differential (cyclesHeatPump). */
  cyclesPerHour?: Quantity
  /** °F an hour by which it starts ahead of a warmer hour of its schedule; 0: not at all (earlyRecovery). */
  recoveryFPerHour?: Quantity
}
