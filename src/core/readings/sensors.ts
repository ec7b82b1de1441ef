import type { ReadingRow } from './row'

const sensor = { places: ['sensor'], tool: 'probeThermometer', judged: 'range' } as const

export const sensors = {
  thermistorOhms: {
    unit: 'Ω',
    least: 0,
    most: 10_000_000,
    places: ['coil', 'sensor'],
    tool: 'multimeter',
    judged: 'range',
  },
  sensorDifference: {
    ...sensor,
    unit: 'Δ°F',
    least: -100,
    most: 100,
    meter: 'outdoorSensor',
  },
  gateTrip: { ...sensor, unit: '°F', least: -60, most: 150, meter: 'outdoorSensor' },
  airTrip: { ...sensor, unit: '°F', least: 0, most: 250 },
  airRemake: { ...sensor, unit: '°F', least: 0, most: 250 },
} satisfies Record<string, ReadingRow>
