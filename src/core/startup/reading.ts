import type { Name, SettingChange } from '../installation'
import type { Situation } from '../situation'
import type { BandedKind } from './bandedKind'

export type ReadingKind =
  | 'controlVolts'
  | 'terminalVolts'
  | 'lineVolts'
  | 'legToGround'
  | 'stripAmps'
  | 'rowOhms'
  | 'returnAir'
  | 'lineLength'
  | BandedKind

/**
 * Position of the leads, the jaw or the probe. `at` names the device, terminal, load or setting; `place` the way of
 * measuring.
 */
export type ReadingPlace =
  | 'terminals' | 'feed' | 'kitLead' | 'rowTerminals' | 'disconnect' | 'returnDuct' | 'supplyDuct'
  | 'motor' | 'twoClamps' | 'duct' | 'burner' | 'flue' | 'line' | 'coil' | 'sensor' // prettier-ignore

/** A reading. It never changes: a correction is another reading that supersedes it. */
export interface Reading {
  id: string
  kind: ReadingKind
  /** In the kind's unit; "OL" where an ohmmeter shows an open circuit. */
  value: number | 'OL'
  place: ReadingPlace
  at: Name
  /** Whether the clamp also takes in the blower; null: not known. Amps only. */
  withBlower: boolean | null
  /** The cabinet stood open meanwhile; left out: its panels were on, or nobody said. */
  panelsOff?: boolean
  instrument: string
  situation: Situation
  /** Settings that were changed temporarily while it was taken; it is judged with them. */
  moved?: readonly SettingChange[]
  who: string
  /** ISO 8601 time, by the server's clock where the device's was wrong. */
  when: string
  /** Time by the device's clock, where that clock was wrong. */
  deviceWhen?: string
  supersedes: string | null
  note?: string
}

/** Unit, and the least and greatest value that a meter on this work can show; anything else is a slip of the finger. */
export const READING_KINDS: Record<
  ReadingKind,
  { unit: string; least: number; most: number; places: ReadingPlace[] }
> = {
  controlVolts: { unit: 'V', least: 0, most: 150, places: ['terminals'] },
  terminalVolts: { unit: 'V', least: 0, most: 150, places: ['terminals'] },
  lineVolts: { unit: 'V', least: 0, most: 600, places: ['disconnect', 'feed', 'terminals'] },
  legToGround: { unit: 'V', least: 0, most: 600, places: ['terminals'] },
  stripAmps: { unit: 'A', least: 0, most: 200, places: ['feed', 'kitLead', 'rowTerminals'] },
  rowOhms: { unit: 'Ω', least: 0, most: 100_000, places: ['rowTerminals'] },
  returnAir: { unit: '°F', least: -40, most: 200, places: ['returnDuct'] },
  compressorAmps: { unit: 'A', least: 0, most: 200, places: ['motor'] },
  fanAmps: { unit: 'A', least: 0, most: 50, places: ['motor'] },
  blowerAmps: { unit: 'A', least: 0, most: 50, places: ['motor', 'twoClamps'] },
  staticPressure: { unit: 'in.w.c.', least: -5, most: 5, places: ['duct'] },
  airflow: { unit: 'CFM', least: 0, most: 5000, places: ['duct'] },
  manifold: { unit: 'in.w.c.', least: 0, most: 30, places: ['burner'] },
  gasInlet: { unit: 'in.w.c.', least: 0, most: 60, places: ['burner'] },
  clockedInput: { unit: 'BTU/h', least: 0, most: 400_000, places: ['burner'] },
  pumpPressure: { unit: 'psi', least: 0, most: 400, places: ['burner'] },
  flueTemp: { unit: '°F', least: 0, most: 1500, places: ['flue'] },
  coAirFree: { unit: 'ppm', least: 0, most: 10_000, places: ['flue'] },
  smoke: { unit: 'spot', least: 0, most: 9, places: ['flue'] },
  overFireDraft: { unit: 'in.w.c.', least: -1, most: 1, places: ['flue'] },
  subcooling: { unit: 'Δ°F', least: -30, most: 80, places: ['line'] },
  superheat: { unit: 'Δ°F', least: -30, most: 80, places: ['line'] },
  dischargeLine: { unit: '°F', least: -40, most: 350, places: ['line'] },
  vapourLine: { unit: '°F', least: -40, most: 350, places: ['line'] },
  valveDifference: { unit: 'Δ°F', least: 0, most: 150, places: ['line'] },
  lowGasTrip: { unit: 'in.w.c.', least: 0, most: 60, places: ['burner'] },
  nozzle: { unit: 'gal/h', least: 0.2, most: 5, places: ['burner'] },
  coilEntering: { unit: '°F', least: -40, most: 250, places: ['duct'] },
  lineLength: { unit: 'ft', least: 0, most: 300, places: ['line'] },
  chargeAdded: { unit: 'oz', least: -400, most: 400, places: ['line'] },
  vacuum: { unit: 'microns', least: 0, most: 800_000, places: ['line'] },
  defrostMinutes: { unit: 'min', least: 0, most: 60, places: ['coil'] },
  coilSwitchOpens: { unit: '°F', least: -40, most: 150, places: ['coil'] },
  thermistorOhms: { unit: 'Ω', least: 0, most: 10_000_000, places: ['coil', 'sensor'] },
  sensorDifference: { unit: 'Δ°F', least: -100, most: 100, places: ['sensor'] },
  capacitor: { unit: 'µF', least: 0, most: 300, places: ['motor'] },
  gateTrip: { unit: '°F', least: -60, most: 150, places: ['sensor'] },
  airTrip: { unit: '°F', least: 0, most: 250, places: ['sensor'] },
  airRemake: { unit: '°F', least: 0, most: 250, places: ['sensor'] },
  supplyAir: { unit: '°F', least: -40, most: 200, places: ['supplyDuct'] },
}

/** The readings that stand: those that no other supersedes. */
export function currentReadings(readings: readonly Reading[]): Reading[] {
  const gone = new Set(readings.flatMap((r) => (r.supersedes ? [r.supersedes] : [])))
  return readings.filter((r) => !gone.has(r.id))
}

/** The readings that one superseded, newest first. */
export function supersededBy(r: Reading, all: readonly Reading[]): Reading[] {
  const found: Reading[] = []
  for (let id = r.supersedes; id;) {
    const before = all.find((x) => x.id === id)
    if (!before || found.includes(before)) break
    found.push(before)
    id = before.supersedes
  }
  return found
}

/** Operating state of a reading or a card. */
type State = Pick<Reading, 'situation' | 'moved'>

/**
 * The same call, modes and moved settings. The outdoor temperature is left out: a reading of another day is of the same
 * thing; so are the differentials' memories, which come and go with it.
 */
export const sameState = (a: State, b: State): boolean =>
  a.situation.call === b.situation.call &&
  told(a.situation.modes) === told(b.situation.modes) &&
  JSON.stringify(a.moved ?? []) === JSON.stringify(b.moved ?? [])

const told = (modes: Situation['modes']): string =>
  Object.entries(modes)
    .filter(([, state]) => state !== 'made' && state !== 'broken')
    .map(([ref, state]) => `${ref}=${state}`)
    .sort()
    .join()
