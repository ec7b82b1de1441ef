import { Circuit } from '../circuit'
import type { Call, SitePlate } from '../equipment'
import { UNKNOWN_SITE, type Installation } from '../installation'
import { degF } from '../units'
import { coil } from '../../../tests/helpers/build'
import { demoInstallation } from '../../../tests/helpers/demo'
import { reading } from '../../../tests/helpers/reading'
import { COOL, GAS, OIL, STRIPS, told, type Site } from '../../../tests/helpers/told'
import { judge, testPlan, type Reading } from '.'
import { sameState, currentReadings, supersededBy } from './reading'

const inst = demoInstallation('quillfeather-lane')
const plain = new Circuit(inst)
const state = (call: Call, outdoorF = 30, modes = {}) => ({ call, outdoorF: degF(outdoorF), modes })
const kinds = (said: { causes: { kind: string }[] }) => said.causes.map((c) => c.kind).join(' ')

describe('control volts at their edges', () => {
  const volts = (value: number, over: Partial<Reading> = {}): Reading =>
    reading({
      kind: 'controlVolts',
      value,
      place: 'terminals',
      at: 'ah.R',
      withBlower: null,
      situation: state('off'),
      ...over,
    })
  const line = (value: number) => reading({ kind: 'lineVolts', value, place: 'disconnect', at: 'kit' })
  const said = (r: Reading, all: Reading[] = [], circuit = plain) => judge(circuit, r, [...all, r])
  const nominal = said(volts(24)).expected!.nominal

  it('without a common to read against only the trade’s 24 V are known, whatever stands aside', () => {
    const place = { at: 'odt.T1' as const, situation: state('off', 30, { 'ah.door': 'open' }) }
    for (const [v, verdict] of [[21.5, 'wrong'], [21.7, 'right'], [26.3, 'right'], [26.5, 'wrong']] as const)
      expect(said(volts(v, place))).toMatchObject({ verdict, from: {}, expected: { nominal: 24 } })
    expect(said(volts(0.5, place))).toMatchObject({ verdict: 'wrong', expected: { nominal: 24 } })
  }) // prettier-ignore

  it('where the wiring never comes to rest it is the same', () => {
    // A relay whose own contact feeds it breaks itself.
    const placed = inst.placed.map((p) =>
      p.ref === 'ah'
        ? {
            ...p,
            device: {
              ...p.device,
              parts: [
                ...p.device.parts,
                { kind: 'contact' as const, id: 'buzz', a: 'R', b: 'O', driver: { not: { energised: 'buzzCoil' } } },
                coil('buzzCoil', 'O', 'C', 5, 0.7),
              ],
            },
          }
        : p,
    ) as Installation['placed']
    const buzzing = new Circuit({ ...inst, placed })
    const r = volts(24, { situation: state('off', 30, { 'od.board': 'defrost' }) })
    expect(said(r, [], buzzing)).toMatchObject({ verdict: 'right', from: {}, expected: { nominal: 24 } })
  }) // prettier-ignore

  it('what the circuit gives is within 10 %, and 5 with line volts measured', () => {
    const at = (share: number, all: Reading[] = []) => said(volts(share * nominal), all).verdict
    expect([0.89, 0.91, 1.09, 1.11].map((s) => at(s))).toEqual(['wrong', 'right', 'right', 'wrong'])
    expect([0.94, 0.96, 1.04, 1.06].map((s) => at(s, [line(240)]))).toEqual(['wrong', 'right', 'right', 'wrong'])
    expect(said(volts(24), [line(228)])).toMatchObject({ from: { line: 228 } })
    expect(said(volts(24), [line(228)]).expected!.nominal / nominal).toBeCloseTo(0.95, 9)
    expect(said(volts(24)).from).toEqual({ computed: nominal, line: 240 })
    // At the outdoor unit it is the air handler’s line that counts.
    expect(said(volts(24, { at: 'od.R' }), [line(228)]).from.line).toBe(228)
  }) // prettier-ignore

  it('never outside 20 and 30 V, however little or much the line gives', () => {
    expect(said(volts(24), [line(160)]).expected!.low).toBe(20)
    expect(said(volts(24), [line(290)]).expected!.high).toBe(30)
  })

  it('the volts of the other tap are within a tenth of 208 ∕ 240 of what they should be, or of 240 ∕ 208', () => {
    const at = (share: number) => kinds(said(volts(share * nominal)))
    // 0.8667 ± 10 % is 0.78 to 0.953, 1.1538 ± 10 % is 1.038 to 1.269.
    expect(at(0.775)).toBe('idleLoad utility')
    expect(at(0.785)).toBe('tapHighOnLow idleLoad utility')
    expect(at(0.89)).toBe('tapHighOnLow idleLoad utility')
    expect(at(1.11)).toBe('tapLowOnHigh utility')
    expect(at(1.265)).toBe('tapLowOnHigh utility')
    expect(at(1.275)).toBe('utility')
    // A furnace on 120 V has no tap to be wrong.
    const fur = new Circuit(demoInstallation('tallow-mill'))
    const own = said(volts(24, { at: 'fur.R' }), [], fur).expected!.nominal
    expect(kinds(said(volts(0.87 * own, { at: 'fur.R' }), [], fur))).toBe('idleLoad utility')
  })

  it('ten volts are a supply that sags, less is one that is not there', () => {
    expect(kinds(said(volts(10.1)))).toBe('idleLoad utility')
    expect(kinds(said(volts(9.9)))).toBe('doorOpen breakerOff fuseOpen')
  })

  it('the load is blamed first where the same place has a tenth more at idle, in whatever idle call', () => {
    const low = volts(20, { situation: state('emergency') })
    const first = (idle: Reading) => kinds(said(low, [idle]))
    expect(first(volts(21.9))).toBe('tapHighOnLow overload utility')
    expect(first(volts(22.1))).toBe('overload tapHighOnLow utility')
    expect(first(volts(22.1, { situation: state('fan') }))).toBe('overload tapHighOnLow utility')
    expect(first(volts(26, { situation: state('heat1') }))).toBe('tapHighOnLow overload utility')
    expect(first(volts(26, { at: 'od.R' }))).toBe('tapHighOnLow overload utility')
    // Its own volts are no idle.
    expect(kinds(said(volts(21)))).toBe('tapHighOnLow idleLoad utility')
  })

  it('the same place live an hour ago is no proof of a conductor', () =>
    expect(kinds(said(volts(0), [volts(26)]))).toBe('doorOpen breakerOff fuseOpen'))

  it('with the door open there are none; up to what a meter shows of nothing is none', () => {
    const open = (value: number) => said(volts(value, { situation: state('off', 30, { 'ah.door': 'open' }) }))
    expect(open(0)).toMatchObject({ verdict: 'right', expected: { low: 0, nominal: 0 }, causes: [] })
    expect(open(12)).toMatchObject({ verdict: 'wrong', causes: [{ kind: 'shouldBeOff' }] })
  })
})

describe('strips at their edges', () => {
  const LINE = reading({ kind: 'lineVolts', value: 240, place: 'feed', at: 'feedA', withBlower: null })
  const amps = (value: number, over: Partial<Reading>) =>
    judge(plain, reading({ value, place: 'feed', at: 'feedA', ...over }), [LINE])

  it('36 and 42 A of two rows at 240 V are right, ends included', () => {
    const at = (v: number) => amps(v, {}).verdict
    expect([35.99, 36, 42, 42.01].map(at)).toEqual(['wrong', 'right', 'right', 'wrong'])
    expect(amps(40, {})).toMatchObject({
      rule: 'stripAmps',
      unit: 'A',
      expected: { low: 36, high: 42, nominal: 40 },
      from: { volts: 240, rows: 2, strips: 40, blower: 0, ohms: 12 },
    })
  })

  it('a blower is in a clamp at the feed and in none further in, whatever is said of it', () => {
    for (const place of [{ place: 'kitLead', at: 'kit.L1' }, { place: 'rowTerminals', at: 'kit.row1' }] as const) {
      const { expected, from } = amps(20, { ...place, withBlower: true })
      expect([expected!.high, expected!.nominal, from.blower]).toEqual([1.05 * from.strips!, from.strips, 0])
    }
    expect(amps(40, { withBlower: null }).expected!.high).toBeCloseTo(42 + 2.4, 2)
  }) // prettier-ignore

  it('ohms say what they were held against, and of what is no row nothing', () => {
    const ohms = (value: Reading['value'], at: Reading['at'] = 'kit.row1') =>
      judge(plain, reading({ kind: 'rowOhms', value, place: 'rowTerminals', at, withBlower: null }))
    const base = { rule: 'rowOhms', unit: 'Ω', from: { ohms: 12 } }
    for (const v of [12, 9, 20, 'OL'] as const) {
      const { expected, ...said } = ohms(v)
      expect(said).toMatchObject(base)
      expect(expected!.nominal).toBe(12)
      expect([expected!.low, expected!.high]).toEqual([0.9 * 12, 1.1 * 12])
    }
    expect([10.79, 10.8, 13.2, 13.21].map((v) => ohms(v).verdict)).toEqual(['wrong', 'right', 'right', 'wrong'])
    expect(ohms(12, 'ah')).toEqual({ verdict: 'unjudged', rule: 'rowOhms', unit: 'Ω', expected: null, from: {}, causes: [] })
  }) // prettier-ignore
})

describe('other bands at their edges', () => {
  it('what nothing is known of is recorded, whole', () =>
    expect(told('airTrip', 'od', 97, STRIPS)).toEqual({
      verdict: 'unjudged',
      rule: 'recordedOnly',
      unit: '°F',
      expected: null,
      from: {},
      causes: [],
    }))

  it('a gate trips at its setting, or where that was moved to for the test', () => {
    const trip = (moved?: Reading['moved']) => told('gateTrip', 'odt.setpoint', 29, { ...STRIPS, ...(moved && { moved }) })
    expect(trip()).toMatchObject({ verdict: 'wrong', expected: { low: 30, high: 40, nominal: 35 } })
    const other = { at: 'tstat.droop' as const, value: 60 }
    expect(trip([other, { at: 'odt.setpoint', value: 30 }])).toMatchObject({ verdict: 'right', expected: { low: 25, high: 35, nominal: 30 } })
    expect(trip([other])).toMatchObject({ verdict: 'wrong', expected: { nominal: 35 } })
  }) // prettier-ignore

  it('air that is no warmer or cooler than the return: nothing runs, and where to meter', () => {
    const heat = { ...STRIPS, returnAir: 70, house: { cfmHigh: 1200 } }
    const cool = { ...COOL, returnAir: 76 }
    const gas = { ...GAS, returnAir: 68 }
    for (const [at, value, site, first] of [
      ['ah', 71.9, heat, 'compressorOff'],
      ['ah', 74.1, cool, 'compressorOff'],
      ['fur', 69.9, gas, 'notLit'],
    ] as const) {
      const [one, two] = told('supplyAir', at, value, site).causes
      expect([one?.kind, two?.kind]).toEqual([first, 'meterNext'])
    }
    for (const [at, value, site] of [
      ['ah', 72, heat],
      ['ah', 74, cool],
      ['fur', 70, gas],
    ] as const)
      expect(
        told('supplyAir', at, value, site)
          .causes.map((c) => c.kind)
          .slice(0, 2),
      ).toContain('airflowHigh')
  })

  it('the air of the stage that runs: the high one’s, the low one’s, or what is known', () => {
    const stage = (call: Call, house: object, more: Partial<Site> = {}) =>
      told('supplyAir', 'ah', 90, {
        job: 'pennywort-close',
        call,
        outdoorF: 47,
        returnAir: 70,
        house,
        ...more,
      }).from.cfm
    expect(stage('heat1', { cfmHigh: 1200, cfmLow: 800 })).toBe(800)
    expect(stage('heat2', { cfmHigh: 1200, cfmLow: 800 })).toBe(1200)
    // The board's own low speed: 900 CFM at the last static of its table; without a table 0.7 of the high one.
    expect(stage('heat1', { cfmHigh: 1200 })).toBe(900)
    expect(stage('heat1', { cfmHigh: 1200 }, { plates: { ah: { blower: [] } } })).toBeCloseTo(840, 6)
    expect(stage('heat1', {}, { plates: { ah: { blower: [] } } })).toBeUndefined()
    // As measured in this very state, before all of them.
    expect(stage('heat1', { cfmHigh: 1200, cfmLow: 800 }, { airflow: 870 })).toBe(870)
    expect(stage('heat2', { cfmHigh: 1200 }, { airflow: 1170 })).toBe(1170)
    // A blower of one speed under a unit of one stage.
    expect(stage('heat1', { cfmHigh: 1200, cfmLow: 800 }, { job: 'quillfeather-lane' })).toBe(1200)
    expect(stage('heat1', {}, { job: 'quillfeather-lane' })).toBe(1090)
  })

  it('two clamps on a blower take in √2 of a part of what the strips draw, and of nothing else', () => {
    const one = told('blowerAmps', 'ah.blower', 2, { ...STRIPS, call: 'emergency', outdoorF: 25 })
    const two = told('blowerAmps', 'ah.blower', 2, { ...STRIPS, call: 'emergency', outdoorF: 25 }, 'twoClamps')
    // A clamp is 2 % off 40 A.
    expect(two.expected!.high - one.expected!.high).toBeCloseTo(Math.SQRT2 * 0.02 * 40, 1)
    expect(two.expected!.low).toBe(one.expected!.low)
  }) // prettier-ignore

  it('what was weighed in goes by the length that stands, of that unit’s own lines', () => {
    const plates: Record<string, SitePlate> = { od: { chargedForFt: 15, chargeOzPerFt: 0.6 } }
    const at = { kind: 'lineLength', place: 'line', at: 'od', withBlower: null } as const
    const first = reading({ ...at, value: 100 })
    const charge = (all: Reading[]) => {
      const r = reading({ kind: 'chargeAdded', place: 'line', at: 'od', value: 15, withBlower: null })
      return judge(plain, r, [...all, r], { ...UNKNOWN_SITE, inst, plates }).expected?.nominal
    }
    // 25 ft of 0.6 oz.
    const all = [
      first,
      reading({ ...at, value: 40 }),
      reading({ ...at, at: 'ah', value: 90 }),
      reading({ ...at, kind: 'vacuum', value: 300 }),
    ]
    expect(charge(all)).toBeCloseTo(15, 6)
    expect(charge(all.slice(2))).toBeUndefined()
  })

  it('a dead leg: the breaker, the lug, the utility', () => {
    const leg = (value: number) =>
      judge(plain, reading({ kind: 'legToGround', value, place: 'terminals', at: 'kit.L1', withBlower: null, situation: state('off') }))
    expect(leg(107)).toMatchObject({ verdict: 'wrong', causes: [{ kind: 'breakerOff' }, { kind: 'looseLug' }, { kind: 'utility' }] })
    expect(leg(133)).toMatchObject({ verdict: 'wrong', causes: [{ kind: 'utility' }] })
    expect([109, 131].map((v) => leg(v).verdict)).toEqual(['right', 'right'])
  }) // prettier-ignore

  it('a switch whose dial ends below what ice water closes waits for the weather', () => {
    const plan = (most: number) => {
      const placed = inst.placed.map((p) =>
        p.ref === 'odt'
          ? {
              ...p,
              settings: { ...p.settings, setpoint: 25 },
              device: { ...p.device, settings: p.device.settings.map((s) => ({ ...s, range: [0, most] as [number, number] })) },
            }
          : p,
      )
      const found = testPlan(new Circuit({ ...inst, placed }), degF(55)).find((c) => c.id === 'gate-odt-setpoint')
      return [found?.today, found?.steps]
    }
    // 32 °F of ice and the dial's own five.
    expect(plan(36)).toEqual([{ can: false, why: 'tooWarm', untilF: 25 }, []])
    expect(plan(37)[1]).toEqual([{ kind: 'moveSetting', at: 'odt.setpoint', was: 25, to: 37 }, { kind: 'iceBath', at: 'odt.setpoint' }, { kind: 'setpoint', way: 'raise', byF: 3, limit: { droopF: 2, passes: true } }])
  }) // prettier-ignore
})

describe('readings beside each other', () => {
  const at = (situation: Reading['situation'], over: Partial<Reading> = {}): Reading =>
    reading({
      kind: 'compressorAmps',
      value: 0,
      place: 'motor',
      at: 'od.compressor',
      withBlower: null,
      situation,
      ...over,
    })

  it('are of one state in one call with the same modes, whatever a switch with a differential remembers', () => {
    const here = at(state('heat1', 30, { 'od.board': 'defrost', odt: 'made' }))
    expect(sameState(here, at(state('heat1', 30, { 'od.board': 'defrost', odt: 'broken' })))).toBe(true)
    expect(sameState(here, at(state('heat1', 30, { 'od.board': 'defrost' })))).toBe(true)
    expect(sameState(here, at(state('heat1', 30, { odt: 'made' })))).toBe(false)
    expect(sameState(here, at(state('heat1', 30, { 'od.board': 'lockout' })))).toBe(false)
    expect(sameState(here, at(state('heatAux1', 30, { 'od.board': 'defrost' })))).toBe(false)
  })

  it('that were corrected do not stand, and what stands keeps its order', () => {
    expect(currentReadings([])).toEqual([])
    const [one, two] = [at(state('heat1')), at(state('heat1'), { value: 3 })]
    const three = at(state('heat1'), { supersedes: one.id })
    expect(currentReadings([one, two, three]).map((r) => r.id)).toEqual([two.id, three.id])
  })

  it('tell what they stand instead of, newest first; and one that stands for itself tells no more', () => {
    const one = at(state('heat1'))
    const two = at(state('heat1'), { supersedes: one.id })
    const three = at(state('heat1'), { supersedes: two.id })
    const all = [one, two, three]
    expect(supersededBy(three, all)).toEqual([two, one])
    expect(supersededBy(one, all)).toEqual([])
    const [a, b] = [
      at(state('heat1'), { id: 'a', supersedes: 'b' }),
      at(state('heat1'), { id: 'b', supersedes: 'a' }),
    ]
    expect(supersededBy(a, [a, b])).toEqual([b, a])
    expect(sameState(one, at(state('heat1'), { moved: [{ at: 'odt.setpoint', value: 15 }] }))).toBe(false)
  })

  it('a compressor that was read still is one only in this state, and only by its own amps', () => {
    const line = at(state('heat1'), { kind: 'vapourLine', value: 66, at: 'od', place: 'line' })
    const first = (other: Reading) => judge(plain, line, [other, line]).causes[0]?.kind
    expect(first(at(state('heat1')))).toBe('compressorOff')
    expect(first(at(state('heat1'), { value: 0.5 }))).toBe('valveOtherWay')
    expect(first(at(state('heatAux1')))).toBe('valveOtherWay')
    expect(first(at(state('heat1'), { kind: 'fanAmps', at: 'od.fan' }))).toBe('valveOtherWay')
  })

  it('a motor that draws nothing: that it does not run, where to meter, its gates and what starts it', () => {
    const said = kinds(judge(plain, at(state('heat1'))))
    expect(said).toMatch(/^notRunning meterNext .*capacitorWeak$/)
    // No more of the way than a person reads at once.
    expect(said.split(' ').length).toBeLessThanOrEqual(5)
  })

  it('a burner that is called and not lit: that first, and where to meter', () => {
    for (const [kind, value] of [
      ['manifold', 0.2],
      ['clockedInput', 0],
      ['flueTemp', 120],
    ] as const) {
      const site = kind === 'flueTemp' ? OIL : GAS
      expect([
        kind,
        kinds(told(kind, 'fur', value, site))
          .split(' ')
          .slice(0, 2),
      ]).toEqual([kind, ['notLit', 'meterNext']])
    }
    // Some pressure and some input are a regulator's and an orifice's.
    expect(kinds(told('manifold', 'fur', 0.3, GAS))).toBe('regulator inletLow')
    expect(kinds(told('clockedInput', 'fur', 12_001, GAS))).toBe('orifice manifoldLow inletLow')
    expect(kinds(told('clockedInput', 'fur', 11_999, GAS))).toMatch(/^notLit/)
  })

  it('five volts on a line are a leg that is loose, less is a breaker', () => {
    const volts = (value: number) =>
      kinds(
        judge(plain, reading({ kind: 'lineVolts', value, place: 'disconnect', at: 'od', withBlower: null })),
      )
    expect(volts(5)).toBe('looseLug utility')
    expect(volts(4.9)).toBe('breakerOff looseLug')
  })

  it('a blower is in no clamp at a kit’s lead', () => {
    const high = (place: Reading['place'], where: Reading['at']) =>
      kinds(judge(plain, reading({ value: 60, place, at: where, withBlower: false })))
    expect(high('feed', 'feedA')).toBe('blowerIncluded voltsNotMeasured wrongKit')
    expect(high('kitLead', 'kit.L1')).toBe('voltsNotMeasured wrongKit')
  })
})
