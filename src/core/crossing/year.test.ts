import type { OutdoorUnitPlate, Rating } from '../equipment'
import { binned, climateYear } from '../house'
import { hoursOfYear } from './hours'
import type { Plant } from './plant'
import { sharingBy, type CallLevel, type Sharing } from './sharing'
import { unitCurve } from './unitCurve'
import { hourAt, yearOf, type HouseAt } from './year'

/** 36,000 at 47 and 18,000 at 17 °F: 600 a degree, with a rating at 35 °F on that line, so that there is no frost. */
const RATINGS: Rating[] = [
  { stage: 'rated', outdoorF: 47, capacityBtuh: 36_000, cop: 3.6 },
  { stage: 'rated', outdoorF: 35, capacityBtuh: 28_800, cop: 3 },
  { stage: 'rated', outdoorF: 17, capacityBtuh: 18_000, cop: 2 },
]
const plant = (plate: OutdoorUnitPlate, rest: Partial<Plant> = {}): Plant => ({
  unit: unitCurve(plate),
  burner: null,
  fuel: null,
  blowerKw: 0.4,
  cfm: 1200,
  cfmEstimated: false,
  together: true,
  temperKw: 0,
  emergency: { kitKw: 10, furnace: false },
  defrost: { everyMinutes: 60, minutes: 6, minutesEstimated: false },
  cycles: { heatPump: 3, backup: 6 },
  ...rest,
})
/** 600 BTU/h for each degree below 65. */
const houseOf = (p: Plant): HouseAt => ({
  plant: p,
  line: { slope: 600, noHeatF: 65 },
  indoorF: 70,
  altitudeFt: 0,
})
const one = houseOf(plant({ ratings: RATINGS }))
const strips = { kitKw: 10, furnace: false, together: true }
const furnace = { kitKw: 0, furnace: true, together: false }
const burner = { outputBtuh: 60_000, efficiency: 0.8, fuel: 'gas' as const, blowerKw: 0.4, motorKw: 0.1 }
const dual = houseOf(plant({ ratings: RATINGS }, { burner, fuel: 'gas' }))

describe('an hour', () => {
  it('that the heat pump carries: 10,800 of 36,000 at 47 °F cycles at a load factor of 0.3', () => {
    // PLF = 1 − 0.25 · 0.7 = 0.825; 10,800 / (3412 · 3.6 · 0.825) = 1.06577 kWh; starts 4 · 3 · 0.3 · 0.7 = 2.52
    const hour = hourAt(one, sharingBy({}, strips), 47)
    expect(hour.heatPumpKwh).toBeCloseTo(1.06577, 4)
    expect(hour).toMatchObject({ heatPumpHeat: 10_800, stripKwh: 0, unmetHeat: 0 })
    expect([hour.heatPumpHours, hour.heatPumpStarts]).toEqual([0.3, expect.closeTo(2.52, 9)])
  })

  it('in which strips help: at 17 °F 28,800 wanted, 18,000 there, 10,800 from 3.165 kWh of strips', () => {
    const hour = hourAt(one, sharingBy({}, strips), 17)
    // 18,000 / (3412 · 2) = 2.63775; 10,800 / 3412 = 3.16530; no blower of their own.
    expect(hour.heatPumpKwh).toBeCloseTo(2.63775, 4)
    expect(hour.stripKwh).toBeCloseTo(3.1653, 4)
    expect([hour.blowerKwh, hour.unmetHeat]).toEqual([0, 0])
  })

  it('in which they may not: what is lacking is unmet', () => {
    expect(hourAt(one, sharingBy({ backupBelowF: 10 }, strips), 17)).toMatchObject({
      stripKwh: 0,
      unmetHeat: 10_800,
    })
  })

  it('with the heat pump locked out: strips alone, with their blower, up to what they have', () => {
    const hour = hourAt(one, sharingBy({ heatPumpFromF: 30 }, strips), 17)
    // 34,120 of strips and 0.4 kW · 3412 of blower are 35,484.8: 28,800 of them are 81.162 % of the hour.
    expect(hour.stripKwh).toBeCloseTo(8.1162, 4)
    expect(hour.blowerKwh).toBeCloseTo(0.32465, 4)
    // At −20 °F 51,000 are wanted and 35,484.8 there.
    expect(hourAt(one, sharingBy({ heatPumpFromF: 30 }, strips), -20).unmetHeat).toBeCloseTo(15_515.2, 6)
  })

  it('that a furnace shares by turns: x = (61,364.8 − 28,800) / (61,364.8 − 18,000) of it is the heat pump’s', () => {
    const hour = hourAt(dual, sharingBy({}, furnace), 17)
    // Its blower’s 0.4 kW are 1,364.8 BTU more. x = 0.750950: 13,517.10 BTU, 2.637749 · x = 1.98082 kWh; the furnace has
    // 0.249050 of the hour, and 60,000 / 0.8 / 100,000 = 0.75 therm in a full one.
    expect(hour.heatPumpHeat).toBeCloseTo(13_517.1, 1)
    expect(hour.heatPumpKwh).toBeCloseTo(1.98082, 4)
    expect(hour.furnaceHeat).toBeCloseTo(15_282.9, 1)
    expect(hour.fuel).toBeCloseTo(0.1867875, 5)
    // Blower and inducer take 0.5 kW for that share.
    expect(hour.blowerKwh).toBeCloseTo(0.124525, 5)
    expect(hour.unmetHeat).toBeCloseTo(0, 6)
  })

  it('below the changeover the furnace carries it alone', () => {
    const hour = hourAt(dual, sharingBy({ changeoverF: 35 }, furnace), 17)
    expect(hour).toMatchObject({ heatPumpHeat: 0, furnaceHeat: 28_800, unmetHeat: 0 })
    // 28,800 / 61,364.8 = 0.469324 of the hour, at 0.75 therm and 0.5 kWh.
    expect(hour.fuel).toBeCloseTo(0.351993, 5)
    expect(hour.blowerKwh).toBeCloseTo(0.234662, 5)
    // At the changeover itself the heat pump is back.
    expect(hourAt(dual, sharingBy({ changeoverF: 35 }, furnace), 35).furnaceHeat).toBe(0)
  })

  it('where even the furnace is too small the larger source runs alone, and the rest is unmet', () => {
    const small = houseOf(
      plant({ ratings: RATINGS }, { burner: { ...burner, outputBtuh: 25_000 }, fuel: 'gas' }),
    )
    expect(hourAt(small, sharingBy({}, furnace), 17)).toMatchObject({
      heatPumpHeat: 0,
      // 1,364.8 of it are its blower's.
      furnaceHeat: expect.closeTo(26_364.8, 6),
      unmetHeat: expect.closeTo(2435.2, 6),
    })
    const tiny = houseOf(
      plant({ ratings: RATINGS }, { burner: { ...burner, outputBtuh: 12_000 }, fuel: 'gas' }),
    )
    expect(hourAt(tiny, sharingBy({}, furnace), 17)).toMatchObject({
      heatPumpHeat: 18_000,
      furnaceHeat: 0,
      unmetHeat: 10_800,
    })
  })

  it('with tempered defrosts: 10 kW for 6 of every 60 minutes it runs is heat that it need not give', () => {
    const tempered = houseOf(plant({ ratings: RATINGS }, { temperKw: 10 }))
    // At 35 °F 18,000 of 28,800. Strips give 3412 an hour of running: run hours of 18,000 − 3412 · 0.625 = 15,867.5
    // are 0.550955, so 1879.86 BTU = 0.550955 kWh of strips; the heat pump gives 16,120.14.
    const hour = hourAt(tempered, sharingBy({}, strips), 35)
    expect(hour.stripKwh).toBeCloseTo(0.550955, 4)
    expect(hour.heatPumpHeat).toBeCloseTo(16_120.1, 0)
    expect(hour.coldDefrostMinutes).toBe(0)
    // Cold: 0.625 h of running, 6 minutes in every 60 of them.
    expect(hourAt(one, sharingBy({}, strips), 35).coldDefrostMinutes).toBeCloseTo(3.75, 9)
    // Above 42 °F no frost grows.
    expect(hourAt(tempered, sharingBy({}, strips), 47).stripKwh).toBe(0)
  })

  it('counts the hours of air below 90 °F: 18,000 in 1,200 CFM warms 70 °F by 13.9', () => {
    expect(hourAt(one, sharingBy({}, strips), 17).coldAirHours).toBe(1)
    // 36,000 warm it by 27.8.
    expect(hourAt(one, sharingBy({}, strips), 47).coldAirHours).toBe(0)
  })
})

describe('an hour of a job that is wired wrong', () => {
  const QUIET: CallLevel = { stage: 0, cools: false, kitKw: 0, fire: 0, blower: false }
  const runs = (part: Partial<CallLevel>): CallLevel => ({ ...QUIET, blower: true, ...part })
  /** One stretch over all temperatures, by what its calls run. */
  const by = (levels: CallLevel[], idle = QUIET): Sharing => [
    {
      from: -60,
      to: 140,
      heatPump: false,
      kitKw: 0,
      furnace: false,
      together: true,
      unsure: false,
      levels,
      idle,
    },
  ]

  it('a valve in cooling takes its 36,000 away: 10 kW of strips beside it leave 12,680 of 46,800 unmet', () => {
    const cools = runs({ stage: 1, cools: true })
    const hour = hourAt(one, by([cools, { ...cools, kitKw: 10 }]), 47)
    expect(hour).toMatchObject({ heatPumpHeat: -36_000, stripKwh: 10, unmetHeat: expect.closeTo(12_680, 6) })
    // 36,000 / (3412 · 3.6)
    expect(hour.heatPumpKwh).toBeCloseTo(2.93083, 4)
  })

  it('and takes turns with a furnace: (10,800 + 36,000) / (61,364.8 + 36,000) of the hour is the furnace’s', () => {
    const hour = hourAt(dual, by([runs({ stage: 1, cools: true }), runs({ fire: 1 })]), 47)
    expect(hour.furnaceHeat).toBeCloseTo(29_496.1, 0)
    expect(hour.heatPumpHeat).toBeCloseTo(-18_696.1, 0)
    expect(hour.fuel).toBeCloseTo(0.3605, 4)
    expect(hour.unmetHeat).toBe(0)
  })

  it('strips that come with every call: 10,800 / 70,120 of the hour both', () => {
    const hour = hourAt(one, by([runs({ stage: 2, kitKw: 10 })]), 47)
    expect(hour.stripKwh).toBeCloseTo(1.54022, 4)
    expect(hour.heatPumpKwh).toBeCloseTo(0.451411, 4)
    expect(hour.unmetHeat).toBe(0)
  })

  it('a burner that nobody calls burns all the hour', () => {
    expect(hourAt(dual, by([runs({ fire: 1 })], runs({ fire: 1 })), 47)).toMatchObject({
      furnaceHeat: expect.closeTo(61_364.8, 6),
      fuel: 0.75,
      unmetHeat: 0,
    })
  })

  it('a call that brings the blower alone: it runs on while strips come and go, and its heat counts', () => {
    // (28,800 − 1,364.8) / 34,120 = 0.80408 of the hour.
    const hour = hourAt(one, by([runs({}), runs({ kitKw: 10 })]), 17)
    expect(hour.stripKwh).toBeCloseTo(8.0408, 4)
    expect(hour.blowerKwh).toBeCloseTo(0.4, 9)
    expect(hour.stripHeat).toBeCloseTo(28_800, 6)
  })

  it('heat without air is none', () => {
    expect(hourAt(one, by([runs({ stage: 1, blower: false }), runs({ kitKw: 10, blower: false })]), 17)).toMatchObject({
      heatPumpHeat: 0, stripHeat: 0, unmetHeat: 28_800,
    }) // prettier-ignore
  })

  it('strips that warm defrosts are the kit’s own: with it on all the hour they add nothing', () => {
    // At 5 °F 10,800 are there and 54,000 wanted: 34,120 of strips leave 9,080.
    const tempered = {
      ...houseOf(plant({ ratings: RATINGS }, { temperKw: 10 })),
      line: { slope: 900, noHeatF: 65 },
    }
    const pump = runs({ stage: 2 })
    const hour = hourAt(tempered, by([pump, { ...pump, kitKw: 10 }]), 5)
    expect(hour.stripKwh).toBeCloseTo(10, 9)
    expect(hour.unmetHeat).toBeCloseTo(9_080, 6)
  })
})

describe('a year', () => {
  const weather = climateYear('mixed')
  const prices = { kwh: 0.14 }
  const hours = hoursOfYear(weather, prices)
  const yearBy = (gates: Parameters<typeof sharingBy>[0], house = one, of = hours) =>
    yearOf(house, sharingBy(gates, house === one ? strips : furnace), of, 1.1)

  it('is the sum of its hours', () => {
    if (weather.kind !== 'hours') throw new Error('hours')
    const sharing = sharingBy({ backupBelowF: 30 }, strips)
    let [kwh, unmet] = [0, 0]
    for (const t of weather.hours) {
      const hour = hourAt(one, sharing, t)
      kwh += hour.heatPumpKwh + hour.stripKwh + hour.blowerKwh
      unmet += hour.unmetHeat
    }
    const year = yearOf(one, sharing, hours, undefined)
    expect(year.kwh).toBeCloseTo(kwh, 4)
    expect(year.unmetDegreeHours).toBeCloseTo(unmet / 600, 6)
    expect(year.cost).toBeCloseTo(0.14 * kwh, 4)
  })

  it('by bins of a degree split at every gate is within 2 % of it by the hour', () => {
    for (const [house, gates] of [
      [one, { backupBelowF: 33.3, heatPumpFromF: 12.7 }],
      [dual, { changeoverF: 31.4 }],
    ] as const) {
      const bins = hoursOfYear(binned(weather, Object.values(gates)), prices)
      const [exact, coarse] = [yearBy(gates, house), yearBy(gates, house, bins)]
      for (const k of ['kwh', 'fuel', 'cost'] as const)
        expect(Math.abs((coarse[k] ?? 0) - (exact[k] ?? 0))).toBeLessThanOrEqual(0.02 * (exact[k] ?? 0))
    }
  })

  it('its months add up to it', () => {
    const sharing = sharingBy({ changeoverF: 35 }, furnace)
    const months = hours.months.map((m) => yearOf(dual, sharing, { outdoorF: hours.outdoorF, ...m }, 1.1))
    const year = yearOf(dual, sharing, hours, 1.1)
    for (const k of ['kwh', 'fuel', 'cost', 'heatPumpHeat'] as const)
      expect(months.reduce((sum, m) => sum + (m[k] ?? 0), 0)).toBeCloseTo(year[k] ?? 0, 4)
  })

  it('a higher compressor lockout never means less backup, a lower aux lockout never less unmet', () => {
    const gates = [-10, 0, 10, 20, 30, 40, 50]
    const aux = gates.map((g) => yearBy({ heatPumpFromF: g }).stripKwh)
    expect([...aux].sort((a, b) => a - b)).toEqual(aux)
    const unmet = gates.map((g) => yearBy({ backupBelowF: g }).unmetHeat)
    expect([...unmet].sort((a, b) => b - a)).toEqual(unmet)
  })

  it('a bigger kit never means more unmet', () => {
    const unmet = [0, 2.5, 5, 10, 20].map(
      (kitKw) => yearOf(one, sharingBy({ heatPumpFromF: 20 }, { ...strips, kitKw }), hours, 1).unmetHeat,
    )
    expect([...unmet].sort((a, b) => b - a)).toEqual(unmet)
  })

  it('costs by the hour: a dear evening costs what its own kWh come to', () => {
    const dear = { kwh: 0.1, periods: [{ fromMonth: 1, toMonth: 12, fromHour: 17, toHour: 20, kwh: 0.3 }] }
    const by = hoursOfYear(weather, dear)
    const sharing = sharingBy({}, strips)
    if (weather.kind !== 'hours') throw new Error('hours')
    let cost = 0
    for (const [i, t] of weather.hours.entries()) {
      const hour = hourAt(one, sharing, t)
      const price = i % 24 >= 17 && i % 24 <= 20 ? 0.3 : 0.1
      cost += price * (hour.heatPumpKwh + hour.stripKwh + hour.blowerKwh)
    }
    expect(yearOf(one, sharing, by, undefined).cost).toBeCloseTo(cost, 4)
  })

  it('has no cost where a price is missing that something hangs on', () => {
    const sharing = sharingBy({ changeoverF: 35 }, furnace)
    expect(yearOf(dual, sharing, hours, undefined)).toMatchObject({ cost: null, fuelCost: null })
    expect(yearOf(one, sharingBy({}, strips), hoursOfYear(weather, {}), undefined).cost).toBeNull()
  })
})
