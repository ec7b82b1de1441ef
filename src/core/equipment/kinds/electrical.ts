import { amps, volts, type PlateFields } from '../plateField'

/** Supply figures on the plate of any line-voltage device. */
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
