import type { ReadingRow } from './row'
import { atBlower, atControlSupply, atLegs, atMotors, atRows, atStrips, atSupply, atTerminals } from './spots'

const volts = { unit: 'V', least: 0, tool: 'multimeter', meter: 'voltmeter', judged: 'circuit' } as const
const amps = { unit: 'A', least: 0, tool: 'clampMeter', meter: 'clamp' } as const

export const electric = {
  controlVolts: { ...volts, most: 150, places: ['terminals'], spots: atControlSupply },
  terminalVolts: { ...volts, most: 150, places: ['terminals'], spots: atTerminals },
  lineVolts: { ...volts, most: 600, places: ['disconnect', 'feed', 'terminals'], spots: atSupply },
  legToGround: { ...volts, most: 600, places: ['terminals'], spots: atLegs },
  stripAmps: {
    ...amps,
    most: 200,
    places: ['feed', 'kitLead', 'rowTerminals'],
    spots: atStrips,
    judged: 'circuit',
    driftShare: 0.05,
  },
  rowOhms: {
    unit: 'Ω',
    least: 0,
    most: 100_000,
    places: ['rowTerminals'],
    tool: 'multimeter',
    meter: 'voltmeter',
    spots: atRows,
    judged: 'circuit',
    driftShare: 0.05,
  },
  compressorAmps: { ...amps, most: 200, places: ['motor'], spots: atMotors('compressor'), judged: 'range' },
  fanAmps: {
    ...amps,
    most: 50,
    places: ['motor'],
    spots: atMotors('outdoorFan'),
    judged: 'range',
    driftShare: 0.15,
  },
  blowerAmps: {
    ...amps,
    most: 50,
    places: ['motor', 'twoClamps'],
    spots: atBlower,
    judged: 'range',
    driftShare: 0.15,
    byAir: true,
  },
  capacitor: {
    unit: 'µF',
    least: 0,
    most: 300,
    places: ['motor'],
    tool: 'capacitanceMeter',
    meter: 'voltmeter',
    spots: atMotors('compressor', 'outdoorFan'),
    judged: 'range',
    driftShare: 0.06,
  },
} satisfies Record<string, ReadingRow>
