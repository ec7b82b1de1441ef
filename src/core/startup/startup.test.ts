import { demoInstallation, libraryDevice } from '../../../tests/helpers/demo'
import { reading } from '../../../tests/helpers/reading'
import { Circuit } from '../circuit'
import type { Call } from '../equipment'
import type { Installation } from '../installation'
import { degF, asVolts } from '../units'
import { serviceVolts } from '../query'
import { heaterRows } from '../kit'
import { expectations, judge, currentReadings, type Reading } from '.'
import { liveness } from './expectation'

const inst = demoInstallation('quillfeather-lane')
const line = (value: number) => reading({ kind: 'lineVolts', value, place: 'disconnect', at: 'kit' })
const kinds = (r: Reading, all: Reading[] = []) => {
  const v = judge(new Circuit(inst), r, all)
  return [v.verdict, ...v.causes.map((c) => c.kind)]
}

describe('rows', () => {
  it('have the ohms of their plate: 240² / 4,800 = 12', () => {
    expect(heaterRows(inst).map((r) => [r.ref, r.ohms])).toEqual([
      ['kit.row1', 12],
      ['kit.row2', 12],
    ])
  })
  it('are fed at the voltage of the feed that reaches them', () =>
    expect(serviceVolts(inst, 'kit.L1')).toBe(240))
})

describe('strip amps', () => {
  // Two rows of 12 Ω at 236 V: 2 · 236/12 = 39.33 A; −10 % 35.4, +5 % 41.3.
  const volts = line(236)
  it.each([
    [39.3, 'right'],
    [35.5, 'right'],
    [41.2, 'right'],
    [35.2, 'wrong'],
    [41.5, 'wrong'],
  ])('%d A at the feed without the blower, at a measured 236 V, is %s', (value, verdict) => {
    const v = judge(new Circuit(inst), reading({ value }), [volts])
    expect(v.verdict).toBe(verdict)
    expect(v.expected!.nominal).toBeCloseTo(39.33, 2)
    expect(v.from).toMatchObject({ volts: 236, rows: 2, ohms: 12 })
  })

  it('adds the blower where the clamp takes it in: 2.4 A by its plate', () => {
    expect(judge(new Circuit(inst), reading({ withBlower: true }), [volts]).expected!.nominal).toBeCloseTo(
      39.33 + 2.4,
      2,
    )
  })

  it('accepts either where nobody knows whether the blower is in it', () => {
    // 43 A is over 41.3 without the blower and inside 41.3 + 2.4 with it.
    expect(judge(new Circuit(inst), reading({ value: 43, withBlower: null }), [volts]).verdict).toBe('right')
    expect(judge(new Circuit(inst), reading({ value: 43, withBlower: false }), [volts]).verdict).toBe('wrong')
  })

  it('uses the nominal volts when none were measured, and says so', () => {
    // 2 · 240/12 = 40 A
    const v = judge(new Circuit(inst), reading({ value: 40 }))
    expect(v.expected!.nominal).toBeCloseTo(40, 6)
    expect(v.causes).toEqual([{ kind: 'voltsNotMeasured' }])
  })

  it('takes half at the feed for a fault, asking after the sequencer first', () => {
    expect(kinds(reading({ value: 19.7 }), [volts])).toEqual([
      'wrong',
      'sequencerWaiting',
      'oneBankClamped',
      'rowOpen',
      'linkOpen',
      'limitOpen',
    ])
  })

  it('takes half at one kit lead for one bank clamped, not for a fault', () => {
    const v = judge(new Circuit(inst), reading({ value: 19.7, place: 'kitLead', at: 'kit.L1' }), [volts])
    expect(v.verdict).toBe('watch')
    expect(v.causes).toEqual([{ kind: 'oneBankClamped', rows: 1, of: 2 }])
  })

  it('holds one row against its own share', () => {
    // 236/12 = 19.67 A
    const v = judge(new Circuit(inst), reading({ value: 19.6, place: 'rowTerminals', at: 'kit.row2' }), [
      volts,
    ])
    expect(v).toMatchObject({ verdict: 'right', unit: 'A' })
    expect(v.expected!.nominal).toBeCloseTo(19.67, 2)
  })

  it('expects nothing while the outdoor thermostat holds the strips off, and names it', () => {
    const situation = { call: 'heatAux1' as const, outdoorF: degF(60), modes: {} }
    const off = judge(new Circuit(inst), reading({ value: 0.2, situation }), [volts])
    expect(off).toMatchObject({ verdict: 'right', rule: 'stripsOff' })
    expect(off.causes[0]).toMatchObject({ kind: 'gateBlocks', gate: { at: 'odt.switch' } })
    expect(kinds(reading({ value: 39, situation }), [volts])[1]).toBe('shouldBeOff')
  })

  it('does not use volts measured on another circuit or volts since corrected', () => {
    const other = reading({ kind: 'lineVolts', value: 200, place: 'disconnect', at: 'od' })
    expect(judge(new Circuit(inst), reading({}), [other]).from.volts).toBe(240)
    const fixed = { ...line(238), supersedes: volts.id }
    expect(judge(new Circuit(inst), reading({}), [volts, fixed]).from.volts).toBe(238)
  })
})

describe('row ohms', () => {
  it.each([
    [12, 'right'],
    [10.9, 'right'],
    [13.1, 'right'],
    [10.7, 'wrong'],
    [13.3, 'wrong'],
    ['OL', 'wrong'],
  ] as const)('%s Ω of a 12 Ω row is %s', (value, verdict) => {
    expect(
      judge(new Circuit(inst), reading({ kind: 'rowOhms', value, place: 'rowTerminals', at: 'kit.row1' }))
        .verdict,
    ).toBe(verdict)
  })
})

describe('control volts', () => {
  it.each([
    // This circuit gives 24.6 V in emergency heat; with line volts not measured, ±10 %: 22.2 to 27.1.
    [25.6, ['right']],
    [22.4, ['right']],
    [22, ['wrong', 'tapHighOnLow', 'overload', 'utility']],
    [20.8, ['wrong', 'tapHighOnLow', 'overload', 'utility']],
    [27.8, ['wrong', 'tapLowOnHigh', 'utility']],
    [28.4, ['wrong', 'tapLowOnHigh', 'utility']],
    [0, ['wrong', 'doorOpen', 'breakerOff', 'fuseOpen']],
  ])('%d V from R to C is %j', (value, expected) => {
    // At its R, or at the cabinet or its transformer as such, which is the same place.
    for (const at of ['ah.R', 'ah', 'ah.xfmr'])
      expect(kinds(reading({ kind: 'controlVolts', value, place: 'terminals', at }))).toEqual(expected)
  })
  it('goes by the line volts as measured: 226 V of 240 takes 5.8 % off what is right, within 5 %', () => {
    const at = (value: number, volts = 226) =>
      judge(new Circuit(inst), reading({ kind: 'controlVolts', value, place: 'terminals', at: 'ah.R' }), [
        reading({ kind: 'lineVolts', value: volts, place: 'disconnect', at: 'kit' }),
      ])
    const { low, high, nominal } = at(23).expected!
    expect(low / nominal).toBeCloseTo(0.95, 6)
    expect(high / nominal).toBeCloseTo(1.05, 6)
    expect([at(23).verdict, at(25).verdict]).toEqual(['right', 'wrong'])
    // 216 V is nearer to 208 than to 240: its tap is looked at.
    expect(at(22, 216)).toMatchObject({ verdict: 'watch', causes: [{ kind: 'tapHighOnLow' }] })
  })
  it('low under load with more at idle: the load is looked at first', () => {
    const idle = reading({
      kind: 'controlVolts', value: 26, place: 'terminals', at: 'ah.R',
      situation: { call: 'off', outdoorF: degF(52), modes: {} },
    }) // prettier-ignore
    const loaded = reading({ kind: 'controlVolts', value: 19.5, place: 'terminals', at: 'ah.R' })
    expect(judge(new Circuit(inst), loaded, [idle, loaded]).causes[0]).toEqual({ kind: 'overload' })
  })
  it('203 V on the line and 25.4 from R to C: the 208 V tap does its work, whatever is recorded', () => {
    // Recorded: 240 V and the 240 V tap, which would give 24.6 · 203 / 240 = 20.8 V. On the 208 V tap it is 24.
    const line = reading({ kind: 'lineVolts', value: 203, place: 'disconnect', at: 'kit' })
    const r = reading({ kind: 'controlVolts', value: 25.4, place: 'terminals', at: 'ah.R' })
    expect(judge(new Circuit(inst), r, [line, r])).toMatchObject({
      verdict: 'watch',
      causes: [{ kind: 'tapFitsLine' }],
    })
  })
  it('19 V with nothing called: something loads the transformer', () => {
    const situation = { call: 'off' as const, outdoorF: degF(52), modes: {} }
    const r = reading({ kind: 'controlVolts', value: 19, place: 'terminals', at: 'ah.R', situation })
    expect(kinds(r)).toEqual(['wrong', 'idleLoad', 'utility'])
  })
  it('a tap that does not fit the feed is said, though the volts are what such a circuit gives', () => {
    const low = demoInstallation('quillfeather-lane', { 'feedA.volts': 208, 'feedB.volts': 208 })
    const v = judge(
      new Circuit(low),
      reading({ kind: 'controlVolts', value: 21.3, place: 'terminals', at: 'ah.R' }),
    )
    expect([v.verdict, v.causes]).toEqual(['watch', [{ kind: 'tapHighOnLow' }]])
  })
  it('with line volts measured it is the tap alone that may be another than recorded', () => {
    const line = reading({ kind: 'lineVolts', value: 240, place: 'disconnect', at: 'kit' })
    const at = (value: number, tap: number) => {
      const r = reading({ kind: 'controlVolts', value, place: 'terminals', at: 'ah.R' })
      const { verdict, causes } = judge(
        new Circuit(demoInstallation('quillfeather-lane', { 'ah.tap': tap })),
        r,
        [line],
      )
      return [verdict, ...causes.map((c) => c.kind)]
    }
    // 24.6 V at the 240 tap, 24.6 · 240 / 208 = 28.4 at the 208 one.
    expect(at(21.3, 240)).toEqual(['wrong', 'overload', 'utility'])
    expect(at(27.9, 240)).toEqual(['wrong', 'tapLowOnHigh', 'utility'])
    expect(at(24.6, 208)).toEqual(['wrong', 'tapHighOnLow', 'overload', 'utility'])
  })
  it('says what this circuit should give', () => {
    const v = judge(
      new Circuit(inst),
      reading({ kind: 'controlVolts', value: 24, place: 'terminals', at: 'ah.R' }),
    )
    expect(v.expected!.nominal).toBeGreaterThan(22.5)
    expect(v.expected!.nominal).toBeLessThan(26.4)
  })
})

describe('line volts', () => {
  // The plate's 197 V to 253 for gear of both services; off the service's ±5 % (228 to 252) it is worth a look.
  it.each([
    [240, 'right'],
    [228, 'right'],
    [227, 'watch'],
    [197, 'watch'],
    [196, 'wrong'],
    [252.5, 'watch'],
    [254, 'wrong'],
    [0, 'wrong'],
  ])('%d V at the outdoor disconnect is %s', (value, verdict) => {
    expect(
      judge(new Circuit(inst), reading({ kind: 'lineVolts', value, place: 'disconnect', at: 'od' })).verdict,
    ).toBe(verdict)
  })
})

it('records air temperatures without judging them yet', () => {
  expect(
    judge(new Circuit(inst), reading({ kind: 'supplyAir', value: 96, place: 'supplyDuct', at: 'ah' }))
      .verdict,
  ).toBe('unjudged')
})

it('keeps what stands: a correction hides the reading it supersedes', () => {
  const a = reading({})
  const b = reading({ supersedes: a.id })
  expect(currentReadings([a, b])).toEqual([b])
})

describe('what a meter must show', () => {
  const live = (call: Call, outdoorF: number) =>
    expectations(new Circuit(inst), { call, outdoorF: degF(outdoorF), modes: {} })!
      .flatMap((d) => d.terminals)
      .filter((t) => t.state === 'live')
      .map((t) => t.terminal)

  it('in heating at 47 °F: R, Y and G along the way, no O/B, no W', () => {
    expect(live('heat1', 47)).toEqual([
      'tstat.R',
      'tstat.Y',
      'tstat.G',
      'ah.R',
      'ah.G',
      'ah.Y',
      'od.R',
      'od.Y',
    ])
  })
  it('in emergency heat at 60 °F: E, G, both W, and the unit’s W output by back-feed', () => {
    expect(live('emergency', 60)).toEqual([
      'tstat.R',
      'tstat.G',
      'tstat.E',
      'ah.R',
      'ah.G',
      'ah.W1',
      'ah.W2',
      'od.R',
      'od.W',
    ])
  })
  it('is said of every low-voltage terminal but the common, at each device that has one', () => {
    const all = expectations(new Circuit(inst), { call: 'off', outdoorF: degF(60), modes: {} })!
    // A strip kit's own terminals and the feeds' are line voltage or have no common of their own.
    expect(all.map((d) => [d.placed, d.terminals.map((t) => t.label).join(' ')])).toEqual([
      ['tstat', 'R Y G O/B AUX E'],
      ['ah', 'R G Y O W1 W2'],
      ['od', 'R Y O/B W'],
    ])
  })
  it('calls 18 V and up live, 3 V and less dead, and leaves the rest to be looked into', () => {
    expect([18, 17.9, 3.1, 3].map((v) => liveness(asVolts(v)))).toEqual([
      'live',
      'between',
      'between',
      'dead',
    ])
  })
})

describe('strip amps of a kit on two circuits', () => {
  // Three rows of 5 kW: two on the first circuit, one on the second. R = 240²/5000 = 11.52 Ω; 240/11.52 = 20.83 A.
  const k3 = demoInstallation('quillfeather-lane')
  const two: Installation = {
    ...k3,
    placed: [
      ...k3.placed.map((p) =>
        p.ref === 'kit' ? { ...p, device: libraryDevice('teasel-k3'), settings: {} } : p,
      ),
      { ref: 'feedC', label: 'Second feed', device: libraryDevice('feed-240'), settings: {} },
    ],
    wires: [
      ...k3.wires.filter((w) => w.a !== 'kit.BL' && w.b !== 'kit.BL'),
      { id: 'c1a', cable: null, colour: 'black', a: 'feedC.L1', b: 'kit.L3', gauge: 6, feet: 20 },
      { id: 'c1b', cable: null, colour: 'red', a: 'feedC.L2', b: 'kit.L4', gauge: 6, feet: 20 },
    ],
  }
  const amps = (at: string, value: number) =>
    judge(new Circuit(two), reading({ kind: 'stripAmps', value, place: 'feed', at, withBlower: false }))

  it('each feed is held against its own rows', () => {
    const rows = (at: string) => amps(at, 20).from.rows
    expect([rows('feedA'), rows('feedC')].sort()).toEqual([1, 2])
    const one = rows('feedA') === 1 ? 'feedA' : 'feedC'
    expect(amps(one, 20.8).verdict).toBe('right')
    expect(amps(one === 'feedA' ? 'feedC' : 'feedA', 20.8).verdict).toBe('wrong')
    expect(amps(one === 'feedA' ? 'feedC' : 'feedA', 41.7).verdict).toBe('right')
  })
})
