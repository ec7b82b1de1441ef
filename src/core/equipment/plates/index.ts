export type { AirHandlerPlate, BlowerPoint } from './airHandler'
export type { PlateField } from './field'
export type { OutdoorUnitPlate, Rating } from './outdoorUnit'
export { PLATES, SITE_FLAGS, SITE_TEXTS, type Delay, type Plate, type SitePlate } from './plate'
