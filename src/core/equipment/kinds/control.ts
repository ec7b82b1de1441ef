import { number, volts, type PlateFields } from '../plateField'

/** A thermostat, controller or other thing on 24 V. */
export interface ControlPlate {
  volts?: number
  /** It looks at power-up which of its terminals are wired. */
  detectsWires?: boolean
  battery?: boolean
  /** It has a sensor of its own in the plenum, between furnace and coil. */
  plenumSensor?: boolean
  /** Δ°F that its strips must be kept apart by, on and off. */
  leastStripGapF?: number
  /** It brings backup on in steps when emergency heat is called. */
  emergencySteps?: boolean
}
export const controlFields: PlateFields<ControlPlate> = {
  volts: volts(),
  detectsWires: { type: 'flag' },
  battery: { type: 'flag' },
  plenumSensor: { type: 'flag' },
  leastStripGapF: number('°F', 0, 9),
  emergencySteps: { type: 'flag' },
}

/** A switch with a differential. */
export interface OutdoorThermostatPlate {
  /** °F between closing and opening. */
  differentialF?: number
}
export const outdoorThermostatFields: PlateFields<OutdoorThermostatPlate> = {
  differentialF: number('°F', 0, 30),
}

export interface AirThermostatPlate {
  /** °F of the air entering the coil. */
  opensF?: number
  closesF?: number
}
export const airThermostatFields: PlateFields<AirThermostatPlate> = {
  opensF: number('°F', 60, 200),
  closesF: number('°F', 40, 200),
}

/** A sensor that a thermostat uses, or the two of a demand defrost board. */
export interface SensorPlate {
  /** Its ohms by temperature. */
  sensorOhms?: { atF: number; ohms: number }[]
}
export const sensorFields: PlateFields<SensorPlate> = {
  sensorOhms: {
    type: 'table',
    columns: {
      atF: { type: 'number', unit: '°F', least: -60, most: 250 },
      ohms: { type: 'number', unit: 'Ω', least: 1, most: 10_000_000 },
    },
  },
}

export interface TransformerPlate {
  volts?: number
  transformerVa?: number
}
export const transformerFields: PlateFields<TransformerPlate> = {
  volts: volts(),
  transformerVa: number('VA', 5, 200),
}
