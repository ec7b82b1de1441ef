import {
  airflowOf,
  binned,
  breakEvenCop,
  furnaceBtuh,
  CLIMATES,
  climateYear,
  degreeDaysBelow,
  designTemperature,
  kwhAt,
  lineBy,
  linesOf,
  loadAt,
  loadLineOf,
  meanKwh,
  MONTH_HOURS,
  monthAndHour,
  monthTexts,
  noHeat,
  riseOf,
  missingFor,
  weatherOf,
  type House,
  type HouseValue,
  type UnitFigures,
} from '.'

const house = (values: Partial<Record<HouseValue, number>>, rest: Partial<House> = {}): House => ({
  values: Object.fromEntries(
    Object.entries(values).map(([of, value]) => [of, { value, source: 'typed' as const }]),
  ),
  ...rest,
})
/** 20,000 BTU/h at a COP of 3 everywhere. */
const flat = (inverter: boolean): UnitFigures => ({
  capacity: () => 20_000,
  heatFrom: (_, kw) => kw * 3412 * 3,
  inverter,
})

describe('the load line', () => {
  it('by design load: 36,000 at 12 °F with no heat wanted from 65 is 36,000 / 53 = 679.245 a degree', () => {
    const line = lineBy(house({ designLoad: 36_000, designF: 12 }), 'design', null)
    expect(line?.slope).toBeCloseTo(679.2453, 3)
    // At 30 °F: 679.2453 · 35 = 23,773.6; at 65 and above nothing.
    expect(line && loadAt(line, 30)).toBeCloseTo(23_773.58, 1)
    expect(line && [loadAt(line, 65), loadAt(line, 90)]).toEqual([0, 0])
    expect(line?.noHeatAssumed).toBe(true)
  })

  it('by loss and gains: 500 a degree and 3,000 from people and sun at 70 °F want heat below 64', () => {
    expect(lineBy(house({ ua: 500, gains: 3000, indoorF: 70 }), 'ua', null)).toMatchObject({
      slope: 500,
      noHeatF: 64,
      noHeatAssumed: false,
    })
  })

  it('by the share of the time that a heat pump runs: 60 % of 20,000 at 40 °F is 12,000, over 25 degrees 480', () => {
    expect(lineBy(house({ runShare: 0.6, runF: 40 }), 'run', flat(false))?.slope).toBeCloseTo(480, 9)
  })

  it('by an inverter’s kWh: 20 kWh in 10 h at a COP of 3 are 2 · 3412 · 3 = 20,472, over 25 degrees 818.88', () => {
    const known = house({ runKwh: 20, runHours: 10, runF: 40 })
    expect(lineBy(known, 'run', flat(true))?.slope).toBeCloseTo(818.88, 6)
    // Of an inverter the share of the time says nothing.
    expect(missingFor(house({ runShare: 0.6, runF: 40 }), 'run', flat(true))).toEqual(['runKwh', 'runHours'])
  })

  it('by bills: (900 − 12 · 15) therms at 80 % over 5,000 degree-days are 480 a degree', () => {
    // 720 · 100,000 · 0.8 / (24 · 5000) = 480
    const known = house(
      { billsYear: 900, billsSummerMonth: 15, billsEfficiency: 0.8, degreeDays: 5000 },
      { billFuel: 'gas' },
    )
    expect(lineBy(known, 'bills', null)?.slope).toBeCloseTo(480, 9)
    // 8,000 kWh at a COP of 2.5: 8000 · 3412 · 2.5 / 120,000 = 568.67
    const electric = house(
      { billsYear: 8000, billsEfficiency: 2.5, degreeDays: 5000 },
      { billFuel: 'electric' },
    )
    expect(lineBy(electric, 'bills', null)?.slope).toBeCloseTo(568.667, 2)
    expect(
      lineBy(house({ billsYear: 900, billsEfficiency: 0.8, degreeDays: 5000 }), 'bills', null),
    ).toBeNull()
  })

  it('keeps every line, takes what was measured first, and the one that was chosen before it', () => {
    const known = house({ designLoad: 36_000, designF: 12, ua: 500, runShare: 0.6, runF: 40 })
    expect(linesOf(known, flat(false)).map((l) => l.way)).toEqual(['run', 'design', 'ua'])
    expect(loadLineOf(known, flat(false))?.way).toBe('run')
    expect(loadLineOf({ ...known, way: 'design' }, flat(false))?.way).toBe('design')
    expect(loadLineOf(house({}), null)).toBeNull()
  })

  it('gives no line where the numbers make no sense together', () => {
    expect(lineBy(house({ designLoad: 36_000, designF: 55, noHeatF: 50 }), 'design', null)).toBeNull()
    expect(lineBy(house({ designLoad: 36_000 }), 'design', null)).toBeNull()
    expect(
      lineBy(house({ runShare: 0.6, runF: 40 }), 'run', { ...flat(false), capacity: () => null }),
    ).toBeNull()
  })

  it('wants no heat from 5 degrees under what is held, 65 where that is not known', () => {
    expect([noHeat(house({ indoorF: 72 }), 'design'), noHeat(house({}), 'design')]).toEqual([
      { at: 67, assumed: true },
      { at: 65, assumed: true },
    ])
    expect(noHeat(house({ indoorF: 72, noHeatF: 61 }), 'design')).toEqual({ at: 61, assumed: false })
  })
})

describe('air', () => {
  it('36,000 BTU/h in 1,200 CFM at sea level is 27.78 degrees; at 5,400 ft a fifth less air', () => {
    // 36,000 / (1.08 · 1200) = 27.778; exp(−0.2) = 0.81873
    expect(riseOf(36_000, 1200)).toBeCloseTo(27.778, 2)
    expect(riseOf(36_000, 1200, 5400)).toBeCloseTo(33.928, 2)
    expect(airflowOf(36_000, 27.7778)).toBeCloseTo(1200, 1)
  })
})

describe('prices', () => {
  it('break-even by hand: 0.14 a kWh against 1.10 a therm at 95 %, fuel alone: a COP of 3.5437, LP at 2.60 one of 1.372', () => {
    const bare = { outputBtuh: 76_000, efficiency: 0.95, blowerKw: 0, motorKw: 0 }
    // (0.14 / 3412) / (1.10 / 95,000) = 4.1032e-5 / 1.15789e-5
    expect(breakEvenCop(0.14, 1.1, { ...bare, fuel: 'gas' })).toBeCloseTo(3.5437, 3)
    expect(breakEvenCop(0.14, 2.6, { ...bare, fuel: 'lp' })).toBeCloseTo(1.372, 3)
  })

  it('break-even with a blower of 432 W that warms the house and an inducer of 75 W that does not: 3.3427', () => {
    const furnace = {
      outputBtuh: 76_000,
      efficiency: 0.95,
      fuel: 'gas' as const,
      blowerKw: 0.432,
      motorKw: 0.075,
    }
    // 0.8 therm and 0.507 kWh are 0.95098 an hour, for 76,000 + 1,473.98 BTU: 1.22748e-5 a BTU; 4.1032e-5 over that.
    expect(furnaceBtuh(furnace)).toBeCloseTo(77_473.98, 1)
    expect(breakEvenCop(0.14, 1.1, furnace)).toBeCloseTo(3.34275, 4)
  })

  it('by month and hour, past midnight and past new year', () => {
    const prices = {
      kwh: 0.1,
      periods: [{ fromMonth: 11, toMonth: 2, fromHour: 22, toHour: 5, kwh: 0.05 }],
    }
    const at = [
      [0, 23], [0, 5], [0, 6], [10, 22], [2, 23],
    ] as const // prettier-ignore
    expect(at.map(([m, h]) => kwhAt(prices, m, h))).toEqual([0.05, 0.05, 0.1, 0.05, 0.1])
    expect(kwhAt({ periods: prices.periods }, 5, 12)).toBeUndefined()
  })

  it('the mean price counts the hours in which heat is bought', () => {
    // Cold by night only: 1 hour in 3 at each price.
    const hours = new Float64Array(8760).fill(60)
    hours[0] = 10
    hours[12] = 10
    hours[13] = 10
    const prices = { kwh: 0.1, periods: [{ fromMonth: 1, toMonth: 1, fromHour: 0, toHour: 0, kwh: 0.4 }] }
    expect(meanKwh(prices, { kind: 'hours', hours }, 50)).toBeCloseTo((0.4 + 0.1 + 0.1) / 3, 9)
    expect(meanKwh({ kwh: 0.1 }, null, 50)).toBe(0.1)
  })
})

describe('weather', () => {
  it('has the months of a year of 365 days', () => {
    expect(MONTH_HOURS.reduce((a, b) => a + b, 0)).toBe(8760)
    // The last hour of January, the first of February and of March, and the last of the year.
    expect([743, 744, 744 + 672, 8759].map(monthAndHour)).toEqual([
      { month: 0, hourOfDay: 23 },
      { month: 1, hourOfDay: 0 },
      { month: 2, hourOfDay: 0 },
      { month: 11, hourOfDay: 23 },
    ])
  })

  it('degree-days and the design temperature of a year that can be counted by hand', () => {
    // 100 h at 5, 1000 h at 35, 7660 h at 70: below 65 are 100 · 60 + 1000 · 30 = 36,000 °F·h = 1500 °F·day.
    const bins = { kind: 'bins', bins: [[70, 7660], [5, 100], [35, 1000]] } as const // prettier-ignore
    expect(degreeDaysBelow(bins, 65)).toBeCloseTo(1500, 9)
    // The coldest hundredth are 87.6 hours: still at 5.
    expect(designTemperature(bins)).toBe(5)
    expect(designTemperature(bins, 0.02)).toBe(35)
  })

  it.each(Object.keys(CLIMATES) as (keyof typeof CLIMATES)[])('%s is the same year every time', (climate) => {
    const year = climateYear(climate)
    expect(climateYear(climate)).toEqual(year)
    if (year.kind !== 'hours') throw new Error('hours')
    expect(year.hours.length).toBe(8760)
    const mean = year.hours.reduce((a, b) => a + b, 0) / 8760
    expect(Math.abs(mean - CLIMATES[climate].meanF)).toBeLessThan(2)
    // Kept as texts and read again it is the same.
    const texts = monthTexts(year.hours)
    expect(weatherOf({ kind: 'hours', name: 'as kept', months: texts })).toEqual(year)
  })

  it('bins of a degree, split at a gate, keep the hours and the degree-hours', () => {
    const year = climateYear('mixed')
    const bins = binned(year, [34.5])
    if (bins.kind !== 'bins') throw new Error('bins')
    expect(bins.bins.reduce((sum, [, h]) => sum + h, 0)).toBe(8760)
    expect(degreeDaysBelow(bins, 65)).toBeCloseTo(degreeDaysBelow(year, 65), 0)
    // No bin has hours on both sides: around the gate the means lie apart by more than nothing.
    const near = bins.bins.map(([t]) => t).filter((t) => t > 34 && t < 35)
    expect(near.some((t) => t < 34.5) && near.some((t) => t >= 34.5)).toBe(true)
  })
})
