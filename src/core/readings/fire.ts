import type { ReadingRow } from './row'
import { atGasBurner, atLowGasSwitch, atOilBurner, inFlue, inOilFlue } from './spots'

const gas = {
  unit: 'in.w.c.',
  least: 0,
  places: ['burner'],
  tool: 'manometer',
  meter: 'manometer',
  judged: 'range',
} as const
const flue = { places: ['flue'], judged: 'range' } as const

export const fire = {
  manifold: { ...gas, most: 30, spots: atGasBurner, driftShare: 0.05 },
  gasInlet: { ...gas, most: 60, spots: atGasBurner },
  lowGasTrip: { ...gas, most: 60, spots: atLowGasSwitch },
  clockedInput: {
    ...gas,
    unit: 'BTU/h',
    most: 400_000,
    tool: 'stopwatch',
    spots: atGasBurner,
    driftShare: 0.05,
  },
  pumpPressure: {
    unit: 'psi',
    least: 0,
    most: 400,
    places: ['burner'],
    tool: 'oilGauge',
    meter: 'gauges',
    spots: atOilBurner,
    judged: 'range',
    driftShare: 0.05,
  },
  nozzle: {
    unit: 'gal/h',
    least: 0.2,
    most: 5,
    places: ['burner'],
    tool: 'marking',
    meter: 'gauges',
    spots: atOilBurner,
    judged: 'range',
  },
  flueTemp: {
    ...flue,
    unit: '°F',
    least: 0,
    most: 1500,
    tool: 'combustionAnalyzer',
    meter: 'analyser',
    spots: inFlue,
    driftShare: 0.1,
  },
  coAirFree: {
    ...flue,
    unit: 'ppm',
    least: 0,
    most: 10_000,
    tool: 'combustionAnalyzer',
    meter: 'analyser',
    spots: inFlue,
  },
  smoke: {
    ...flue,
    unit: 'spot',
    least: 0,
    most: 9,
    tool: 'smokeTester',
    meter: 'analyser',
    spots: inOilFlue,
  },
  overFireDraft: {
    ...flue,
    unit: 'in.w.c.',
    least: -1,
    most: 1,
    tool: 'manometer',
    meter: 'manometer',
    spots: inOilFlue,
  },
} satisfies Record<string, ReadingRow>
