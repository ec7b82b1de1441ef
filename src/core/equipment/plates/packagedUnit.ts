import { burnerFields, type BurnerPlate } from './furnace'
import { outdoorUnitFields, type OutdoorUnitPlate } from './outdoorUnit'
import { airHandlerFields, type AirHandlerPlate } from './airHandler'
import { stripKitFields, type StripKitPlate } from './stripKit'
import type { PlateFields } from './field'

/** Everything in one cabinet. */
export interface PackagedUnitPlate extends OutdoorUnitPlate, AirHandlerPlate, StripKitPlate, BurnerPlate {
  /** Whether the maker lets compressor and burner heat together. */
  togetherAllowed?: boolean
}
export const packagedUnitFields: PlateFields<PackagedUnitPlate> = {
  ...outdoorUnitFields,
  ...airHandlerFields,
  ...stripKitFields,
  ...burnerFields,
  togetherAllowed: { type: 'flag' },
}
