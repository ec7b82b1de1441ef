import type { ReadingRow } from './row'
import { atOutdoorCoil, onLines, onLineSet } from './spots'

const onLine = { places: ['line'], spots: onLines, judged: 'range' } as const
const gauges = { unit: 'Δ°F', least: -30, most: 80, tool: 'refrigerantGauges', meter: 'gauges' } as const
const pipe = { unit: '°F', least: -40, most: 350, tool: 'clampThermometer', meter: 'thermometer' } as const

export const refrigerant = {
  subcooling: { ...onLine, ...gauges },
  superheat: { ...onLine, ...gauges },
  dischargeLine: { ...onLine, ...pipe },
  vapourLine: { ...onLine, ...pipe },
  valveDifference: { ...onLine, ...pipe, unit: 'Δ°F', least: 0, most: 150 },
  vacuum: { ...onLine, unit: 'microns', least: 0, most: 800_000, tool: 'vacuumGauge', meter: 'gauges' },
  lineLength: {
    unit: 'ft',
    least: 0,
    most: 300,
    places: ['line'],
    tool: 'tape',
    meter: 'gauges',
    spots: onLineSet,
    judged: 'recorded',
  },
  chargeAdded: {
    unit: 'oz',
    least: -400,
    most: 400,
    places: ['line'],
    tool: 'scale',
    meter: 'gauges',
    spots: onLineSet,
    judged: 'range',
  },
  defrostMinutes: {
    unit: 'min',
    least: 0,
    most: 60,
    places: ['coil'],
    tool: 'stopwatch',
    meter: 'gauges',
    spots: atOutdoorCoil,
    judged: 'range',
  },
  coilSwitchOpens: {
    unit: '°F',
    least: -40,
    most: 150,
    places: ['coil'],
    tool: 'clampThermometer',
    meter: 'thermometer',
    spots: atOutdoorCoil,
    judged: 'range',
  },
} satisfies Record<string, ReadingRow>
