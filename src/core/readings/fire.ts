import type { ReadingRow } from './row'

const gas = {
  unit: 'in.w.c.',
  least: 0,
  places: ['burner'],
  tool: 'manometer',
  judged: 'range',
} as const
const flue = { places: ['flue'], judged: 'range' } as const

export const fire = {
  manifold: { ...gas, most: 30, driftShare: 0.05 },
  gasInlet: { ...gas, most: 60 },
  lowGasTrip: { ...gas, most: 60 },
  clockedInput: {
    ...gas,
    unit: 'BTU/h',
    most: 400_000,
    tool: 'stopwatch',
    meter: 'manometer',
    driftShare: 0.05,
  },
  pumpPressure: {
    unit: 'psi',
    least: 0,
    most: 400,
    places: ['burner'],
    tool: 'oilGauge',
    judged: 'range',
    driftShare: 0.05,
  },
  nozzle: {
    unit: 'gal/h',
    least: 0.2,
    most: 5,
    places: ['burner'],
    tool: 'marking',
    judged: 'range',
  },
  flueTemp: {
    ...flue,
    unit: '°F',
    least: 0,
    most: 1500,
    tool: 'combustionAnalyzer',
    driftShare: 0.1,
  },
  coAirFree: {
    ...flue,
    unit: 'ppm',
    least: 0,
    most: 10_000,
    tool: 'combustionAnalyzer',
  },
  smoke: {
    ...flue,
    unit: 'spot',
    least: 0,
    most: 9,
    tool: 'smokeTester',
  },
  overFireDraft: {
    ...flue,
    unit: 'in.w.c.',
    least: -1,
    most: 1,
    tool: 'manometer',
  },
} satisfies Record<string, ReadingRow>
