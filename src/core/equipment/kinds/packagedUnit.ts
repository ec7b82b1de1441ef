import { burnerFields, type BurnerPlate } from './furnace'
import { outdoorUnitFields, type OutdoorUnitPlate } from './outdoorUnit'
import { airHandlerFields, type AirHandlerPlate } from './airHandler'
import { stripKitFields, type StripKitPlate } from './stripKit'
import type { PlateFields } from '../plateField'
import { choice, yesNo } from '../draftField'
import { AIR, BURNER, burnsFuel, COMPRESSOR, isElectric, SUPPLY, switchedBy, VALVE } from './forms'
import type { KindRow } from './row'

/** Everything in one cabinet. */
export interface PackagedUnitPlate extends OutdoorUnitPlate, AirHandlerPlate, StripKitPlate, BurnerPlate {
  /** Whether the maker lets compressor and burner heat together. */
  togetherAllowed?: boolean
}
const packagedUnitFields: PlateFields<PackagedUnitPlate> = {
  ...outdoorUnitFields,
  ...airHandlerFields,
  ...stripKitFields,
  ...burnerFields,
  togetherAllowed: { type: 'flag' },
}

export const packagedUnit: KindRow = {
  traits: ['compresses', 'packaged', 'movesAir', 'holdsStrips', 'burns', 'onGlance'],
  plate: packagedUnitFields,
  column: 2,
  usualBreakerA: 60,
  inJob: { ref: 'od', where: 'north wall' },
  form: [
    choice('fuel', ['electric', 'natural', 'lp']),
    VALVE,
    yesNo('demandDefrost'),
    yesNo('defrostW', isElectric),
    switchedBy(isElectric),
    yesNo('fuseLinks', isElectric),
    ...BURNER,
    yesNo('together', burnsFuel),
    ...COMPRESSOR,
    ...AIR,
    ...SUPPLY,
  ],
}
