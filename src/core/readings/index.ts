import type { Installation } from '../installation'
import { air } from './air'
import { electric } from './electric'
import { fire } from './fire'
import { refrigerant } from './refrigerant'
import type { ReadingRow } from './row'
import { sensors } from './sensors'

export { INSTRUMENTS, type Instrument, type ReadingPlace, type ReadingRow, type Spot, type Tool } from './row'

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

/** A row without a number in the order above does not compile. */
type Unlisted = Exclude<ReadingKind, (typeof READING_KINDS)[number]>
const allListed: Unlisted extends never ? true : Unlisted = true

export const READINGS: Readonly<Record<ReadingKind, ReadingRow>> = ROWS
export const BANDED_KINDS = READING_KINDS.filter(
  (kind): kind is BandedKind => allListed && READINGS[kind].judged === 'range',
)

/** Kinds of reading that something in a job has. */
export const kindsFor = (inst: Installation): ReadingKind[] =>
  READING_KINDS.filter((kind) => READINGS[kind].spots(inst).length > 0)
