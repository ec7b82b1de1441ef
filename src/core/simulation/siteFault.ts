/** Faults of an outdoor unit that no contact shows. */
export const SITE_FAULTS = [
  'coilSwitchOpen',
  'coilSwitchClosed',
  'coilSwitchOff',
  'lowCharge',
  'fanStays',
  'compressorDead',
] as const
export type SiteFault = (typeof SITE_FAULTS)[number]

/** A jumper across the coil thermostat: what a forced defrost on a mild day needs, and no fault. */
export const COIL_JUMPER = 'coilJumper'
/** Conditions at the coil's thermostat. */
export type AtSite = SiteFault | typeof COIL_JUMPER

/** °F that a coil thermostat behaves as at that is stuck open, or closed. */
const STUCK = { open: 90, closed: 15 } as const
/** Part of its charge that a unit has left which is low on it. */
const LOW = 0.6

/** °F that the coil's thermostat or sensor goes by: its coil's, unless it is stuck or hangs between coil and air. */
export function coilFelt(fault: AtSite | null, coilF: number, outdoorF: number): number {
  switch (fault) {
    case 'coilSwitchOpen':
      return STUCK.open
    case 'coilSwitchClosed':
    case COIL_JUMPER:
      return STUCK.closed
    case 'coilSwitchOff':
      return outdoorF + (coilF - outdoorF) / 3
    default:
      return coilF
  }
}

/** Part of its capacity that a unit has. */
export const chargeOf = (fault: AtSite | null): number => (fault === 'lowCharge' ? LOW : 1)
/** A compressor that does not turn over: its contactor is in, its windings are open. */
export const isDead = (fault: AtSite | null): boolean => fault === 'compressorDead'
export const siteFaultOf = (name: string): SiteFault | null => SITE_FAULTS.find((f) => f === name) ?? null
/** The same, or a jumper. */
export const atSiteOf = (name: string): AtSite | null =>
  name === COIL_JUMPER ? COIL_JUMPER : siteFaultOf(name)
/** The outdoor fan runs on in a defrost, whatever its relay does. */
export const fanStays = (fault: AtSite | null): boolean => fault === 'fanStays'
