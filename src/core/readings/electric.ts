import type { ReadingRow } from './row'

const volts = { unit: 'V', least: 0, tool: 'multimeter', judged: 'circuit' } as const
const amps = { unit: 'A', least: 0, tool: 'clampMeter' } as const

export const electric = {
  controlVolts: { ...volts, most: 150, places: ['terminals'] },
  terminalVolts: { ...volts, most: 150, places: ['terminals'] },
  lineVolts: { ...volts, most: 600, places: ['disconnect', 'feed', 'terminals'] },
  legToGround: { ...volts, most: 600, places: ['terminals'] },
  stripAmps: {
    ...amps,
    most: 200,
    places: ['feed', 'kitLead', 'rowTerminals'],
    judged: 'circuit',
    driftShare: 0.05,
  },
  rowOhms: {
    unit: 'Ω',
    least: 0,
    most: 100_000,
    places: ['rowTerminals'],
    tool: 'multimeter',
    judged: 'circuit',
    driftShare: 0.05,
  },
  compressorAmps: { ...amps, most: 200, places: ['motor'], judged: 'range' },
  fanAmps: {
    ...amps,
    most: 50,
    places: ['motor'],
    judged: 'range',
    driftShare: 0.15,
  },
  blowerAmps: {
    ...amps,
    most: 50,
    places: ['motor', 'twoClamps'],
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
    judged: 'range',
    driftShare: 0.06,
  },
} satisfies Record<string, ReadingRow>
