/** What is wrong with an outdoor unit that no contact shows. */
export const SITE_FAULTS = [
  'coilSwitchOpen',
  'coilSwitchClosed',
  'coilSwitchOff',
  'lowCharge',
  'fanStays',
  'compressorDead',
] as const
export type SiteFault = (typeof SITE_FAULTS)[number]

/** °F that a coil thermostat behaves as at that is stuck open, or closed. */
const STUCK = { open: 90, closed: 15 } as const
/** Part of its charge that a unit has left which is low on it. */
const LOW = 0.6

/** °F that the coil's thermostat or sensor goes by: its coil's, unless it is stuck or hangs between coil and air. */
export function coilFelt(fault: SiteFault | null, coilF: number, outdoorF: number): number {
  switch (fault) {
    case 'coilSwitchOpen':
      return STUCK.open
    case 'coilSwitchClosed':
      return STUCK.closed
    case 'coilSwitchOff':
      return outdoorF + (coilF - outdoorF) / 3
    default:
      return coilF
  }
}

/** Part of its capacity that a unit has. */
export const chargeOf = (fault: SiteFault | null): number => (fault === 'lowCharge' ? LOW : 1)
/** A compressor that does not turn over: its contactor is in, its windings are open. */
export const isDead = (fault: SiteFault | null): boolean => fault === 'compressorDead'
export const siteFaultOf = (name: string): SiteFault | null => SITE_FAULTS.find((f) => f === name) ?? null
/** The outdoor fan runs on in a defrost, whatever its relay does. */
export const fanStays = (fault: SiteFault | null): boolean => fault === 'fanStays'
