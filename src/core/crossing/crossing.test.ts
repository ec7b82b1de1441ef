import { demoInstallation, jobIds, wireBetween, without } from '../../../tests/helpers/demo'
import { demoSeen } from '../../../tests/helpers/seen'
import { Circuit } from '../circuit'
import type { Value } from '../equipment'
import { makeRef, UNKNOWN_SITE, type JobSeen, withSettings } from '../installation'
import {
  crossingOf,
  crossingView,
  gateChanges,
  heatersOf,
  kitKwAt,
  plantOf,
  recommendSchool,
  schoolYears,
  sharingOf,
  smallestKit,
} from '.'
import { merged } from './gates'

const lanes = (job: string, change?: Parameters<typeof withSettings>[1]) => {
  const inst = demoInstallation(job)
  return merged(sharingOf(new Circuit(change ? withSettings(inst, change) : inst))).map((s) => [
    s.from,
    s.to,
    `${s.heatPump ? 'heat pump' : ''}${s.kitKw ? ` ${s.kitKw.toFixed(1)} kW` : ''}${s.furnace ? ' furnace' : ''}`.trim(),
  ])
}

describe('who heats when, found in the solved circuit', () => {
  it('a changeover at 35 °F: the furnace alone below it, both above', () =>
    expect(lanes('tallow-mill')).toEqual([
      [-20, 35, 'furnace'],
      [35, 115, 'heat pump furnace'],
    ]))

  it('moves with the setting', () =>
    expect(lanes('tallow-mill', [{ at: makeRef('tstat', 'changeover'), value: 41 }])).toEqual([
      [-20, 41, 'furnace'],
      [41, 115, 'heat pump furnace'],
    ]))

  it('an outdoor thermostat at 35 °F holds the strips off above it', () =>
    expect(lanes('quillfeather-lane')).toEqual([
      [-20, 35, 'heat pump 9.6 kW'],
      [35, 115, 'heat pump'],
    ]))

  it('a unit that blows cold gives no heat', () =>
    expect(lanes('dovecote-lane').every(([, , who]) => !String(who).includes('heat pump'))).toBe(true))
})

describe('how long a defrost lasts', () => {
  const defrost = (minutes?: number) => {
    const seen = demoSeen('quillfeather-lane')
    const values =
      minutes === undefined ? {} : { defrostMinutes: { value: minutes, source: 'measured' as const } }
    return plantOf({ ...seen, house: { ...seen.house, values } }, new Circuit(seen.inst)).defrost
  }

  it('is five minutes, an estimate, until somebody times one', () => {
    expect(defrost()).toMatchObject({ minutes: 5, minutesEstimated: true })
    expect(defrost(8)).toMatchObject({ minutes: 8, minutesEstimated: false })
  })
})

describe('what warms the air of a defrost', () => {
  const temperKw = (settings: Record<string, Value>, isLanded = true) => {
    const whole = demoInstallation('pennywort-close', settings)
    const inst = isLanded ? whole : without(whole, wireBetween(whole, 'ah.W1', 'od.W').id)
    return plantOf({ ...demoSeen('pennywort-close'), inst }, new Circuit(inst)).temperKw
  }
  // Below 32 °F the thermostat calls backup in the compressor's place, and nothing defrosts.
  const LOCKED_OUT = {
    'tstat.outdoorSource': 'feed',
    'tstat.useCompressorLockout': 'on',
    'tstat.compressorLockout': 32,
  }
  it('is what the defrost output brings, at a temperature at which the heat pump runs', () => {
    // It is on W1, which brings the first of two rows of 4,800 W.
    expect(temperKw({})).toBeCloseTo(4.8, 6)
    expect(temperKw(LOCKED_OUT)).toBeCloseTo(temperKw({}), 9)
  })
  it('is nothing where the output is not landed, whatever a lockout brings on', () => {
    expect([temperKw({}, false), temperKw(LOCKED_OUT, false)]).toEqual([0, 0])
  })
})

describe('a gas furnace at altitude', () => {
  it('gives what its orifices let through there: 0.95 of 63,104 BTU/h at 5,280 ft', () => {
    const seen = demoSeen('tallow-mill')
    const at = (altitudeFt: number) =>
      heatersOf({
        ...seen,
        house: {
          ...seen.house,
          values: { ...seen.house.values, altitudeFt: { value: altitudeFt, source: 'measured' } },
        },
      }).burner?.outputBtuh
    // Its plate: 80,000 BTU/h at 0.95.
    expect(at(640)).toBeCloseTo(76_000, 6)
    expect(at(5280)).toBeCloseTo(59_948.8, 6)
  })
})

describe('what can be said of a house', () => {
  const crossing = (job: string, change: Partial<JobSeen> = {}) => {
    const seen = { ...demoSeen(job), ...change }
    return crossingOf(seen, new Circuit(seen.inst))
  }

  it('the balance point of a line and a plate: capacity meets load', () => {
    // 34,000 at 8 °F with no heat from 65: 596.5 a degree. At 25.94 °F the house needs 23,300; the unit has, on the line
    // through 20,400 at 17 and 34,200 at 47, 24,512, less 10 % · 8.94 / 18 for frost: 23,295.
    expect(crossing('quillfeather-lane').balanceF).toBeCloseTo(25.94, 1)
  })

  it('at the design temperature: what is lacking, and what may give it', () => {
    // At 8 °F: 20,400 − 9 · 460 = 16,260 of 34,000; 17,740 / 3412 = 5.2 kW
    expect(crossing('quillfeather-lane').design).toMatchObject({
      outdoorF: 8,
      loadBtuh: 34_000,
      capacityBtuh: 16_260,
      lacksKw: expect.closeTo(5.199, 2),
      kitKw: expect.closeTo(9.6, 6),
    })
  })

  it('the kit alone holds the house down to where its 9.6 kW meet the load', () => {
    // 32,755 / 596.49 = 54.91 degrees below 65
    expect(crossing('quillfeather-lane').emergencyF).toBeCloseTo(10.09, 1)
  })

  it('with gas at 1.10 and 0.14 a kWh the furnace, its electricity included, is cheaper wherever the COP is below 3.3427', () => {
    const { breakEven } = crossing('tallow-mill')
    // Blower 480 VA · 0.9 and an inducer of 75 W: 0.8 therm and 0.507 kWh an hour for 77,474 BTU.
    expect(breakEven?.cop).toBeCloseTo(3.3427, 3)
    // At 39.26 °F the house needs 22,059 BTU/h, the low stage has 21,091 and the high one 29,837: it runs high for 0.1108 of
    // the time, on 1.82076 and 2.84463 kW: 22,059 / (3412 · 1.93420) = 3.3427.
    expect(breakEven?.aboveF).toBeCloseTo(39.26, 1)
  })

  it('cheaper fuel never lowers the break-even temperature', () => {
    const at = [1.6, 1.4, 1.2, 1].map(
      (fuel) => crossing('tallow-mill', { prices: { kwh: 0.14, fuel } }).breakEven?.aboveF as number,
    )
    expect([...at].sort((a, b) => a - b)).toEqual(at)
  })

  it('names what is missing, and says what can be said', () => {
    const bare = crossing('quillfeather-lane', UNKNOWN_SITE)
    expect(bare.wanted).toEqual(['load', 'climate', 'design', 'kwh'])
    expect(bare.plant.unit?.capacity(17)).toBe(20_400)
    expect([bare.house, bare.balanceF, bare.year]).toEqual([null, undefined, null])
  })

  it('a COP that was read on site stands over the device’s, its capacity stays', () => {
    const seen = demoSeen('quillfeather-lane')
    const plates = { od: { ratings: [{ stage: 'rated' as const, outdoorF: 47, cop: 4 }] } }
    const { unit } = heatersOf({ ...seen, plates })
    expect([unit?.cop(47), unit?.capacity(47)]).toEqual([4, 34_200])
  })

  it('a COP that a sheet calls rated is that of the high stage of a unit that has two', () => {
    const plates = { od: { ratings: [{ stage: 'rated' as const, outdoorF: 47, cop: 4 }] } }
    expect(heatersOf({ ...demoSeen('tallow-mill'), plates }).unit?.cop(47)).toBe(4)
  })
})

describe('gates', () => {
  const gates = (job: string) => {
    const seen = demoSeen(job)
    return crossingView(seen, new Circuit(seen.inst)).gates
  }

  it('one acts where moving it changes who heats when', () => {
    expect(gates('quillfeather-lane')).toMatchObject({
      gates: [{ intent: 'outdoorSwitch', at: 'odt.setpoint', valueF: 35, acts: true }],
      missing: ['compressorLockout', 'auxLockout'],
    })
  })

  it('one that is switched off would act; one without an outdoor temperature says what it needs', () => {
    const of = (job: string, intent: string) => gates(job).gates.find((g) => g.intent === intent)
    expect(of('tallow-mill', 'compressorLockout')).toMatchObject({ acts: false, wouldAct: true })
    expect(of('pennywort-close', 'auxLockout')).toMatchObject({
      acts: false,
      wouldAct: false,
      needs: { code: 'lockoutNoSource' },
    })
  })

  it('moved, sets the temperature and switches its lockout on', () => {
    expect(
      gateChanges(
        demoInstallation('tallow-mill'),
        { intent: 'compressorLockout', at: 'tstat.compressorLockout' },
        20,
      ),
    ).toEqual([
      { at: 'tstat.compressorLockout', value: 20 },
      { at: 'tstat.useCompressorLockout', value: 'on' },
    ])
  })
})

describe('schools', () => {
  it.each(jobIds())('%s: what is said of the recommended one is so in the table beside it', (id) => {
    const view = crossingView(demoSeen(id), new Circuit(demoSeen(id).inst))
    const { recommended, schools, year } = view
    if (!recommended || !year) return
    const rows = [...schools.map((s) => s.year), year]
    const warm = rows.filter((y) => y.unmetDegreeHours <= 10)
    const { best, why } = recommended
    if (why === 'onlyWarm') expect(warm).toEqual([best.year])
    if (why === 'cheapest') expect(Math.min(...warm.map((y) => y.cost ?? Infinity))).toBe(best.year.cost ?? Infinity)
    if (why === 'lessUnmet') expect(Math.min(...rows.map((y) => y.unmetDegreeHours)) + 10).toBeGreaterThanOrEqual(best.year.unmetDegreeHours)
  }) // prettier-ignore

  const of = (job: string, answers = {}) => {
    const seen = demoSeen(job)
    const years = schoolYears(crossingOf(seen, new Circuit(seen.inst)), seen.prices.fuel)
    return { years, said: recommendSchool(years, answers) }
  }

  it('strips: run it always, but where the answer is to leave nobody cold', () => {
    const { years, said } = of('quillfeather-lane')
    expect(years.map((y) => y.school)).toEqual([
      'runAlways', 'fixedLine', 'emergencyOnly', 'temperedDefrost', 'coldDefrost',
    ]) // prettier-ignore
    // The two rows about defrosts leave nobody cold either, and one of them costs less.
    expect([said?.best.school, said?.why]).toEqual(['runAlways', 'leastSharing'])
    // Nothing but the heat pump leaves it cold for thousands of degree-hours.
    expect(years.find((y) => y.school === 'emergencyOnly')?.year.unmetDegreeHours).toBeGreaterThan(1000)
  })

  it('strips ahead of the coil take turns with the compressor in every school', () => {
    const { years } = of('tansy-street')
    const always = years.find((y) => y.school === 'runAlways')
    expect(always?.sharing.every((s) => s.kitKw === 0 || !s.together)).toBe(true)
    const stripsAfter = of('quillfeather-lane').years.find((y) => y.school === 'runAlways')
    expect(stripsAfter?.sharing.every((s) => s.together)).toBe(true)
  })

  it('the break-even is never dearer than another changeover', () => {
    for (const job of ['millrace-cottage', 'lapwing-court', 'ferrous-hill']) {
      const { years } = of(job)
      const cost = (school: string) => years.find((y) => y.school === school)?.year.cost ?? NaN
      expect(cost('breakEven')).toBeLessThanOrEqual(
        Math.min(cost('fixedLine'), cost('comfortSwitch')) * 1.002,
      )
    }
  })

  it('an owner who feels the air as cold speaks for the comfort switch', () => {
    expect(of('tallow-mill', { coldAir: 'yes' }).said).toMatchObject({
      best: { school: 'comfortSwitch' },
      why: 'comfort',
    })
    expect(of('millrace-cottage').said?.best.school).toBe('breakEven')
  })
})

describe('kits', () => {
  it('a 10 kW kit is 7.5 kW at 208 V', () => expect(kitKwAt(10, 208)).toBeCloseTo(7.511, 3))
  it('the smallest that is enough at the job’s volts', () => {
    const listed = [{ kilowatts: 5 }, { kilowatts: 10 }, { kilowatts: 15 }]
    expect(smallestKit(listed, 7.6, 240)).toEqual({ kilowatts: 10, givesKw: 10 })
    expect(smallestKit(listed, 7.6, 208)?.kilowatts).toBe(15)
    expect(smallestKit(listed, 16, 240)).toBeNull()
  })
})
