import type { ReadingRow } from './row'

const probe = { unit: '°F', tool: 'probeThermometer' } as const

export const air = {
  returnAir: { ...probe, least: -40, most: 200, places: ['returnDuct'], judged: 'recorded' },
  supplyAir: {
    ...probe,
    least: -40,
    most: 200,
    places: ['supplyDuct'],
    judged: 'range',
    byAir: true,
  },
  coilEntering: {
    ...probe,
    least: -40,
    most: 250,
    places: ['duct'],
    judged: 'range',
    byAir: true,
  },
  staticPressure: {
    unit: 'in.w.c.',
    least: -5,
    most: 5,
    places: ['duct'],
    tool: 'manometer',
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
    judged: 'range',
    driftShare: 0.1,
    byAir: true,
  },
} satisfies Record<string, ReadingRow>
