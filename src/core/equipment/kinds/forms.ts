import type { DeviceDraft } from '../deviceDraft'
import { choice, figure, hasTerminal, onPlate, yesNo, type DraftField } from '../draftField'

export const burnsFuel = (d: DeviceDraft): boolean => d.fuel !== 'electric'
export const isElectric = (d: DeviceDraft): boolean => d.fuel === 'electric'
const burnsGas = (d: DeviceDraft): boolean => d.fuel === 'natural' || d.fuel === 'lp'

/** Fields that several kinds share. */
export const VALVE = choice('rvSense', ['cooling', 'heating'], hasTerminal('OB', 'O', 'B'))
export const COMPRESSOR = [figure('compressorVa', 100, 20000, 'VA'), figure('contactorVa', 1, 60, 'VA')]
export const AIR = [figure('blowerVa', 50, 2500, 'VA'), figure('transformerVa', 10, 150, 'VA')]
export const SUPPLY = [onPlate('tons', 10, 'tons'), onPlate('mca', 100, 'A'), onPlate('mocpA', 150, 'A')]
export const BURNER = [
  choice('gasSwitch', ['none', 'pressure', 'flame'], burnsGas),
  yesNo('coilAfter', burnsFuel),
  onPlate('inputBtuh', 400_000, 'BTU/h', burnsFuel),
  onPlate('efficiency', 99, '%', burnsFuel),
  onPlate('riseLow', 120, '°F', burnsFuel),
  onPlate('riseHigh', 150, '°F', burnsFuel),
  yesNo('temperDefrost', burnsFuel),
]
/** Switch of heater rows: a sequencer or relays. */
export const switchedBy = (when?: DraftField['when']): DraftField =>
  choice('switchedBy', ['sequencer', 'relay'], when)

/** A lone switch: a float, a trip of any kind, an outdoor thermostat. */
export const SWITCH: readonly DraftField[] = [
  choice('opens', ['water', 'trip', 'warm']),
  figure('closesBelowF', 0, 60, '°F', (d) => d.opens === 'warm'),
]
