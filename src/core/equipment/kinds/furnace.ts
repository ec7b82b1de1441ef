import { electricalFields, type ElectricalPlate } from './electrical'
import { amps, count, number, type PlateFields } from '../plateField'
import { choice, figure } from '../draftField'
import { AIR, BURNER } from './forms'
import type { KindRow } from './row'

export interface BurnerPlate {
  burnerStages?: number
  /** BTU/h at full fire. */
  inputBtuh?: number
  /** BTU/h at full fire at this site's altitude, where the plate or the manufacturer's altitude table says it. */
  inputAtAltitudeBtuh?: number
  /** Output over input, 0 to 1. */
  efficiency?: number
  /** °F: the band of temperature rise. */
  riseLow?: number
  riseHigh?: number
  /** °F: the band of flue temperature. */
  flueLowF?: number
  flueHighF?: number
  /** in.w.c.: gas pressure at the manifold, and its least and most at the inlet. */
  manifoldInWc?: number
  inletLowInWc?: number
  inletHighInWc?: number
  /** in.w.c. at which its low-gas-pressure switch opens. */
  lowGasTripInWc?: number
  /** psi of the oil pump. */
  pumpPsi?: number
  /** The maker's instruction lets the burner temper the air of a defrost. */
  temperDefrost?: boolean
  /** Position of the low-gas-pressure switch by the conversion kit's instructions. */
  gasSwitchCircuit?: 'pressure' | 'flame'
}
export const burnerFields: PlateFields<BurnerPlate> = {
  burnerStages: count(4),
  inputBtuh: number('BTU/h', 5000, 400_000),
  inputAtAltitudeBtuh: number('BTU/h', 5000, 400_000),
  efficiency: number('', 0.5, 1),
  riseLow: number('°F', 5, 150),
  riseHigh: number('°F', 5, 150),
  flueLowF: number('°F', 80, 900),
  flueHighF: number('°F', 80, 900),
  manifoldInWc: number('in.w.c.', 0.5, 20),
  inletLowInWc: number('in.w.c.', 1, 30),
  inletHighInWc: number('in.w.c.', 1, 30),
  lowGasTripInWc: number('in.w.c.', 0.5, 30),
  pumpPsi: number('psi', 50, 300),
  temperDefrost: { type: 'flag' },
  gasSwitchCircuit: { type: 'choice', values: ['pressure', 'flame'] },
}

/** A gas, oil or electric furnace. */
export interface FurnacePlate extends ElectricalPlate, BurnerPlate {
  blowerFla?: number
  maxStaticInWc?: number
  transformerVa?: number
  kilowatts?: number
  rows?: number
}
const furnaceFields: PlateFields<FurnacePlate> = {
  ...electricalFields,
  ...burnerFields,
  blowerFla: amps(50),
  maxStaticInWc: number('in.w.c.', 0, 3),
  transformerVa: number('VA', 5, 200),
  kilowatts: number('kW', 0.5, 40),
  rows: count(9),
}

export const furnace: KindRow = {
  traits: ['indoors', 'movesAir', 'burns', 'onGlance'],
  plate: furnaceFields,
  column: 1,
  inJob: { ref: 'fur', where: 'utility room' },
  form: [choice('fuel', ['natural', 'lp', 'oil']), ...BURNER, figure('delayMost', 0, 300, 's'), ...AIR],
}
