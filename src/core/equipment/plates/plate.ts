import type { DeviceKind } from '../kind'
import { airHandlerFields, type AirHandlerPlate } from './airHandler'
import {
  airThermostatFields,
  controlFields,
  outdoorThermostatFields,
  sensorFields,
  transformerFields,
  type AirThermostatPlate,
  type ControlPlate,
  type OutdoorThermostatPlate,
  type SensorPlate,
  type TransformerPlate,
} from './control'
import { electricalFields, type ElectricalPlate } from './electrical'
import type { PlateField } from './field'
import { furnaceFields, type FurnacePlate } from './furnace'
import { outdoorUnitFields, type OutdoorUnitPlate } from './outdoorUnit'
import { packagedUnitFields, type PackagedUnitPlate } from './packagedUnit'
import { stripKitFields, type StripKitPlate } from './stripKit'

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

const delays: PlateField = {
  type: 'table',
  columns: {
    what: { type: 'choice', values: ['minimumOff', 'powerUp', 'blowerOn', 'blowerOff', 'prepurge'] },
    seconds: { type: 'number', unit: 's', least: 0, most: 3600 },
  },
}

/** The fields of a plate, by kind of device. */
export const PLATES: Readonly<Record<DeviceKind, Readonly<Record<string, PlateField>>>> = {
  thermostat: { ...controlFields, delays },
  airHandler: { ...airHandlerFields, delays },
  furnace: { ...furnaceFields, delays },
  outdoorUnit: { ...outdoorUnitFields, delays },
  packagedUnit: { ...packagedUnitFields, delays },
  stripKit: { ...stripKitFields, delays },
  outdoorThermostat: { ...outdoorThermostatFields, delays },
  relay: { ...controlFields, delays },
  sender: { ...controlFields, delays },
  receiver: { ...controlFields, delays },
  airThermostat: { ...airThermostatFields, delays },
  fuelKit: { ...controlFields, delays },
  zonePanel: { ...controlFields, delays },
  floatSwitch: { ...controlFields, delays },
  transformer: { ...transformerFields, delays },
  humidifier: { ...controlFields, delays },
  leakSensor: { ...controlFields, delays },
  lineMonitor: { ...controlFields, delays },
  outdoorSensor: { ...controlFields, ...sensorFields, delays },
  splice: { ...controlFields, delays },
  feed: { ...electricalFields, delays },
}

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
