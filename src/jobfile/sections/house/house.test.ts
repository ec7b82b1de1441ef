import { climateYear, monthTexts } from '@/core/house'
import { apply, formatJob, parseJob, type Job, type Operation } from '../..'
import { readJson } from '../../../../tests/helpers/demo'

const job = readJson<Job>('demo/jobs/tallow-mill.json')
const made = (op: Operation, from = job): Job => {
  const checked = apply(from, op)
  if (!checked.ok) throw new Error(JSON.stringify(checked.problems))
  return checked.value
}
const refused = (op: unknown, from = job): string[] => {
  const checked = apply(from, op as Operation)
  return checked.ok ? [] : checked.problems.map((p) => `${p.path}: ${p.expected}`)
}
const readBack = (j: Job) => {
  const checked = parseJob(formatJob(j))
  return checked.ok ? checked.value : checked.problems.map((p) => `${p.path}: ${p.expected}`)
}
const year = climateYear('mixed')
const months = year.kind === 'hours' ? monthTexts(year.hours) : []

describe('what a job keeps of its house', () => {
  it('a number with where it comes from, and its taking away', () => {
    const told = made({ kind: 'setHouse', of: 'ua', value: 480, source: 'estimated' })
    expect(told.house.values.ua).toEqual({ value: 480, source: 'estimated' })
    expect(readBack(told)).toEqual(told)
    expect(
      made({ kind: 'setHouse', of: 'ua', value: null, source: 'typed' }, told).house.values.ua,
    ).toBeUndefined()
  })

  it('refuses what makes no sense, and names what would', () => {
    expect(refused({ kind: 'setHouse', of: 'runShare', value: 1.2, source: 'measured' })).toEqual([
      'value: 0.02 to 1',
    ])
    expect(refused({ kind: 'setHouse', of: 'designF', value: -100, source: 'typed' })).toEqual([
      'value: -60 to 60 °F',
    ])
    expect(refused({ kind: 'setHouseChoice', of: 'way', value: 'guess' })).toEqual([
      'value: one of run, bills, design, ua',
    ])
  })

  it('how it is reckoned', () => {
    const told = made({ kind: 'setHouseChoice', of: 'way', value: 'ua' })
    expect(told.house.way).toBe('ua')
    expect(readBack(told)).toEqual(told)
    expect(made({ kind: 'setHouseChoice', of: 'way', value: null }, told).house.way).toBeUndefined()
  })

  it('a year of hours as twelve texts, and its taking away', () => {
    const told = made({ kind: 'setClimate', climate: { kind: 'hours', name: 'From a file', months } })
    expect(readBack(told)).toEqual(told)
    expect(made({ kind: 'clearClimate' }, told).house.climate).toBeUndefined()
    const short = months.map((m, i) => (i === 1 ? m.split(' ').slice(0, 671).join(' ') : m))
    expect(refused({ kind: 'setClimate', climate: { kind: 'hours', name: '', months: short } })).toEqual([
      'climate.months[1]: 672 hours',
    ])
  })

  it('a file with a month that is no month is refused at its place', () => {
    const file = JSON.parse(formatJob(job)) as { house: { climate: object } }
    const read = (text: string) => {
      const withIt = months.map((m, i) => (i === 3 ? text : m))
      file.house.climate = { kind: 'hours', name: 'x', months: withIt }
      const checked = parseJob(JSON.stringify(file))
      return checked.ok ? 'read' : checked.problems.map((p) => p.path)
    }
    expect(read(months[3] ?? '')).toBe('read')
    expect(read((months[3] ?? '').replace(' ', '  '))).toEqual(['house.climate.months[3]'])
    // 31 days in a month of 30.
    expect(read(months[4] ?? '')).toEqual(['house.climate.months[3]'])
    expect(read('cold')).toEqual(['house.climate.months[3]'])
  })

  it('prices by month and hour, and the sign of the money', () => {
    const periods = [{ fromMonth: 11, toMonth: 3, fromHour: 16, toHour: 20, kwh: 0.3 }]
    const told = made({
      kind: 'batch',
      ops: [
        { kind: 'setRates', periods },
        { kind: 'setCurrency', sign: '€' },
      ],
    })
    expect(told.prices).toMatchObject({ periods, currency: '€', kwh: 0.14 })
    expect(readBack(told)).toEqual(told)
    expect(made({ kind: 'setRates', periods: [] }, told).prices.periods).toBeUndefined()
    const wrong = readBack({ ...told, prices: { periods: [{ ...periods[0], toHour: 24 }] } } as Job)
    expect(wrong).toEqual([expect.stringContaining('prices.periods[0].toHour')])
  })

  it('an older file knows nothing of its house', () => {
    const { house: _, ...old } = JSON.parse(formatJob(job)) as Record<string, unknown>
    const checked = parseJob(JSON.stringify({ ...old, version: 4 }))
    expect(checked).toMatchObject({ ok: true, value: { house: { values: {} }, version: 6 } })
  })
})
