import { amps, volts, type PlateFields } from './field'

/** What the plate of anything on line voltage says of its supply. */
export interface ElectricalPlate {
  /** V, nominal. */
  volts?: number
  /** V: the least it may run at. */
  minimumVolts?: number
  /** A: minimum circuit ampacity. */
  mca?: number
  /** A: largest fuse or breaker. */
  mocpA?: number
}
export const electricalFields: PlateFields<ElectricalPlate> = {
  volts: volts(),
  minimumVolts: volts(),
  mca: amps(),
  mocpA: amps(),
}
