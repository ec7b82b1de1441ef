import type { AirHandlerPlate } from './kinds/airHandler'
import type {
  AirThermostatPlate,
  ControlPlate,
  OutdoorThermostatPlate,
  SensorPlate,
  TransformerPlate,
} from './kinds/control'
import type { ElectricalPlate } from './kinds/electrical'
import type { FurnacePlate } from './kinds/furnace'
import type { OutdoorUnitPlate } from './kinds/outdoorUnit'
import type { PackagedUnitPlate } from './kinds/packagedUnit'
import type { StripKitPlate } from './kinds/stripKit'

/** A delay that is built into a device, with its length. */
export interface Delay {
  what: 'minimumOff' | 'powerUp' | 'blowerOn' | 'blowerOff' | 'prepurge'
  seconds: number
}

/**
 * All fields of a device's plate. `PLATES` says which fields a kind of device may have; a file with another field is
 * refused at its place.
 */
export type Plate = ElectricalPlate &
  OutdoorUnitPlate &
  AirHandlerPlate &
  StripKitPlate &
  FurnacePlate &
  PackagedUnitPlate &
  ControlPlate &
  OutdoorThermostatPlate &
  AirThermostatPlate &
  SensorPlate &
  TransformerPlate & { delays?: Delay[] }

/** A plate's fields, with those that were read on site. */
export interface SitePlate extends Plate {
  model?: string
  serial?: string
  /** It came new from its box: what nobody has keyed stands as its maker left it. */
  newFromBox?: boolean
  /** Seen online, for a device that takes the weather from a feed. */
  seenOnline?: boolean
}
export const SITE_TEXTS = ['model', 'serial'] as const
export const SITE_FLAGS = ['newFromBox', 'seenOnline'] as const
