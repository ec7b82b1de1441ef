import type { ReadingRow } from './row'

const onLine = { places: ['line'], judged: 'range' } as const
const gauges = { unit: 'Δ°F', least: -30, most: 80, tool: 'refrigerantGauges' } as const
const pipe = { unit: '°F', least: -40, most: 350, tool: 'clampThermometer' } as const

export const refrigerant = {
  subcooling: { ...onLine, ...gauges },
  superheat: { ...onLine, ...gauges },
  dischargeLine: { ...onLine, ...pipe },
  vapourLine: { ...onLine, ...pipe },
  valveDifference: { ...onLine, ...pipe, unit: 'Δ°F', least: 0, most: 150 },
  vacuum: { ...onLine, unit: 'microns', least: 0, most: 800_000, tool: 'vacuumGauge' },
  lineLength: {
    unit: 'ft',
    least: 0,
    most: 300,
    places: ['line'],
    tool: 'tape',
    judged: 'recorded',
  },
  chargeAdded: {
    unit: 'oz',
    least: -400,
    most: 400,
    places: ['line'],
    tool: 'scale',
    judged: 'range',
  },
  defrostMinutes: {
    unit: 'min',
    least: 0,
    most: 60,
    places: ['coil'],
    tool: 'stopwatch',
    judged: 'range',
  },
  coilSwitchOpens: {
    unit: '°F',
    least: -40,
    most: 150,
    places: ['coil'],
    tool: 'clampThermometer',
    judged: 'range',
  },
} satisfies Record<string, ReadingRow>
