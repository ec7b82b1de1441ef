import { air } from './air'
import { electric } from './electric'
import { fire } from './fire'
import { refrigerant } from './refrigerant'
import type { ReadingRow } from './row'
import { sensors } from './sensors'

const ROWS = { ...electric, ...air, ...fire, ...refrigerant, ...sensors }
export type ReadingKind = keyof typeof ROWS
/** Kinds that a range decides. */
export type BandedKind = {
  [K in ReadingKind]: (typeof ROWS)[K]['judged'] extends 'range' ? K : never
}[ReadingKind]

/** Order of the kinds in lists and in the cabinet code, which stores a kind by its number: new kinds go to the end. */
export const READING_KINDS = [
  'controlVolts', 'terminalVolts', 'lineVolts', 'legToGround', 'stripAmps', 'rowOhms', 'returnAir', 'compressorAmps',
  'fanAmps', 'blowerAmps', 'staticPressure', 'airflow', 'manifold', 'gasInlet', 'clockedInput', 'pumpPressure', 'flueTemp',
  'coAirFree', 'smoke', 'overFireDraft', 'subcooling', 'superheat', 'dischargeLine', 'vapourLine', 'valveDifference',
  'lowGasTrip', 'nozzle', 'coilEntering', 'lineLength', 'chargeAdded', 'vacuum', 'defrostMinutes', 'coilSwitchOpens',
  'thermistorOhms', 'sensorDifference', 'capacitor', 'gateTrip', 'airTrip', 'airRemake', 'supplyAir',
] as const satisfies readonly ReadingKind[] // prettier-ignore

/** The rows. A kind that the order above lacks does not compile where a row is looked up. */
export const READINGS: Readonly<Record<(typeof READING_KINDS)[number], ReadingRow>> = ROWS
export const BANDED_KINDS = READING_KINDS.filter(
  (kind): kind is BandedKind => READINGS[kind].judged === 'range',
)
