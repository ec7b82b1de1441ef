import type { ReadingRow } from './row'
import { atAirSwitch, atBoardSensors, atOutdoorSensor, atTrips } from './spots'

const sensor = { places: ['sensor'], tool: 'probeThermometer', judged: 'range' } as const

export const sensors = {
  thermistorOhms: {
    unit: 'Ω',
    least: 0,
    most: 10_000_000,
    places: ['coil', 'sensor'],
    tool: 'multimeter',
    meter: 'voltmeter',
    spots: atBoardSensors,
    judged: 'range',
  },
  sensorDifference: {
    ...sensor,
    unit: 'Δ°F',
    least: -100,
    most: 100,
    meter: 'outdoorSensor',
    spots: atOutdoorSensor,
  },
  gateTrip: { ...sensor, unit: '°F', least: -60, most: 150, meter: 'outdoorSensor', spots: atTrips },
  airTrip: { ...sensor, unit: '°F', least: 0, most: 250, meter: 'thermometer', spots: atAirSwitch },
  airRemake: { ...sensor, unit: '°F', least: 0, most: 250, meter: 'thermometer', spots: atAirSwitch },
} satisfies Record<string, ReadingRow>
