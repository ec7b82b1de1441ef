import type { ReadingRow } from './row'
import { inDuct, inReturn, inSupply } from './spots'

const probe = { unit: '°F', tool: 'probeThermometer', meter: 'thermometer' } as const

export const air = {
  returnAir: { ...probe, least: -40, most: 200, places: ['returnDuct'], spots: inReturn, judged: 'recorded' },
  supplyAir: {
    ...probe,
    least: -40,
    most: 200,
    places: ['supplyDuct'],
    spots: inSupply,
    judged: 'range',
    byAir: true,
  },
  coilEntering: {
    ...probe,
    least: -40,
    most: 250,
    places: ['duct'],
    spots: inDuct,
    judged: 'range',
    byAir: true,
  },
  staticPressure: {
    unit: 'in.w.c.',
    least: -5,
    most: 5,
    places: ['duct'],
    tool: 'manometer',
    meter: 'manometer',
    spots: inDuct,
    judged: 'range',
    driftShare: 0.2,
    byAir: true,
  },
  airflow: {
    unit: 'CFM',
    least: 0,
    most: 5000,
    places: ['duct'],
    tool: 'manometer',
    meter: 'manometer',
    spots: inDuct,
    judged: 'range',
    driftShare: 0.1,
    byAir: true,
  },
} satisfies Record<string, ReadingRow>
