import type { Name, SettingChange } from '../installation'
import type { Situation } from '../situation'

/** Quantities that can be measured. The names are those of readings, so that a value can become one. */
export const QUANTITIES = [
  'controlVolts', 'terminalVolts', 'lineVolts', 'legToGround', 'stripAmps', 'rowOhms', 'returnAir', 'compressorAmps',
  'fanAmps', 'blowerAmps', 'supplyAir', 'staticPressure', 'airflow', 'manifold', 'gasInlet', 'clockedInput', 'flueTemp',
  'coAirFree', 'smoke', 'overFireDraft', 'pumpPressure', 'subcooling', 'superheat', 'dischargeLine', 'vapourLine',
  'valveDifference', 'defrostMinutes', 'coilSwitchOpens', 'thermistorOhms', 'sensorDifference', 'capacitor', 'gateTrip', 'airTrip', 'airRemake',
  'vacuum', 'lowGasTrip', 'lineLength', 'chargeAdded', 'nozzle', 'coilEntering',
] as const // prettier-ignore
export type Quantity = (typeof QUANTITIES)[number]

/** Position of an instrument, and the call that is made meanwhile. */
export interface Point {
  quantity: Quantity
  /** How it is held: "feed", "kitLead", "rowTerminals" … as a reading has it. */
  place: string
  at: Name
  /** Whether the clamp takes in the blower as well; null: however it is. */
  withBlower: boolean | null
  situation: Situation
  /** Settings that stand otherwise meanwhile. */
  moved?: readonly SettingChange[]
}
