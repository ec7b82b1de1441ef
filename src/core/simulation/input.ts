import type { SiteFault } from './siteFault'

/** Outdoor air by the second. */
export interface Air {
  /** °F. */
  at(second: number): number
  /** °F of dew point; left out: nobody knows. */
  dewAt?: (second: number) => number
}

/** A house's start and surroundings. */
export interface HomeInput {
  air: Air
  roomF: number
  /** s between samples of a tape; 0: no tape is kept, only sums. */
  sampleEvery: number
  /** Divides the usual time step: shows how much a sum depends on it. */
  finer?: number
  /** Outdoor unit's fault that no contact shows. */
  fault?: SiteFault | null
  /** s at which somebody wakes, once or so often, s: what is heard in the two hours before it is counted. */
  wakes?: { at: number; every?: number }
}

/** Sensed temperatures and setpoint at an instant, for a tape. */
export interface Sample {
  at: number
  roomF: number
  targetF: number
  outdoorF: number
  coilF: number
  supplyF: number
  frostLb: number
}
