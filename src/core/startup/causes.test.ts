import { Circuit } from '../circuit'
import { demoInstallation } from '../../../tests/helpers/demo'
import { reading } from '../../../tests/helpers/reading'
import { UNKNOWN_SITE } from '../installation'
import { judge, type Reading } from '.'

/** Quillfeather Lane: two rows of 4,800 W at 240 V are 12 Ω and 20 A each. */
const inst = demoInstallation('quillfeather-lane')
const seen = {
  ...UNKNOWN_SITE,
  inst,
  house: { ...UNKNOWN_SITE.house, values: { cfmHigh: { value: 1200, source: 'typed' as const } } },
}
const LINE = reading({ kind: 'lineVolts', value: 240, place: 'feed', at: 'feedA', withBlower: null })
const said = (over: Partial<Reading>, all: readonly Reading[] = []) => {
  const r = reading(over)
  const { verdict, causes } = judge(new Circuit(inst), r, [...all, r])
  return [verdict, ...causes]
}
const feed = { place: 'feed', at: 'feedA' } as const
const ohms = { kind: 'rowOhms', place: 'rowTerminals', at: 'kit.row1', withBlower: null } as const
const line = { kind: 'lineVolts', place: 'disconnect', at: 'od', withBlower: null } as const

describe('causes, the likeliest and cheapest first', () => {
  it('strips that draw too much: the blower in the clamp, the volts, the kit', () => {
    // 36 to 42 A without the blower; 50 is neither.
    expect(said({ ...feed, value: 50 })).toEqual([
      'wrong', { kind: 'blowerIncluded' }, { kind: 'voltsNotMeasured' }, { kind: 'wrongKit' },
    ]) // prettier-ignore
    expect(said({ ...feed, value: 60, withBlower: true }, [LINE])).toEqual(['wrong', { kind: 'wrongKit' }])
  })

  it('strips that draw one row’s share: the sequencer still waits, then one bank clamped, then what is open', () => {
    const low = [
      { kind: 'oneBankClamped', rows: 1, of: 2 },
      { kind: 'rowOpen', rows: 1 },
      { kind: 'linkOpen' },
      { kind: 'limitOpen' },
    ]
    expect(said({ ...feed, value: 20 })).toEqual([
      'wrong', { kind: 'sequencerWaiting', seconds: 30 }, { kind: 'voltsNotMeasured' }, ...low,
    ]) // prettier-ignore
    expect(said({ ...feed, value: 20 }, [LINE])).toEqual([
      'wrong', { kind: 'sequencerWaiting', seconds: 30 }, ...low,
    ]) // prettier-ignore
    // 5 A is no row's share.
    expect(said({ ...feed, value: 5 }, [LINE])).toEqual([
      'wrong', { kind: 'sequencerWaiting', seconds: 30 }, { kind: 'rowOpen', rows: 0 }, { kind: 'linkOpen' },
      { kind: 'limitOpen' },
    ]) // prettier-ignore
  })

  it('one bank at a kit lead is looked at again, and is no fault; right without the volts says so', () => {
    expect(said({ place: 'kitLead', at: 'kit.L1', value: 20 }, [LINE])).toEqual([
      'watch', { kind: 'oneBankClamped', rows: 1, of: 2 },
    ]) // prettier-ignore
    expect(said({ ...feed, value: 40 })).toEqual(['right', { kind: 'voltsNotMeasured' }])
    expect(said({ ...feed, value: 40 }, [LINE])).toEqual(['right'])
  })

  it('a share is one row’s 20 A less a tenth, or a twentieth more, and the blower where it is in the clamp', () => {
    const rows = (value: number, withBlower = false) =>
      said({ ...feed, value, withBlower }, [LINE]).flatMap((c) =>
        typeof c === 'object' && c.kind === 'rowOpen' ? [c.rows] : [],
      )
    expect([17.9, 18, 21, 21.1].map((v) => rows(v))).toEqual([[0], [1], [1], [0]])
    // The blower's plate has 2.4 A: up to 23.4.
    expect([23.4, 23.5].map((v) => rows(v, true))).toEqual([[1], [0]])
  })

  it('strips that nothing calls draw nothing but a blower’s 2.4 A, where it is in the clamp', () => {
    const off = (value: number, withBlower: boolean | null) => {
      const situation = { ...LINE.situation, call: 'fan' as const }
      const r = reading({ ...feed, value, withBlower, situation })
      const { verdict, expected, causes } = judge(new Circuit(inst), r)
      return [verdict, expected!.high.toFixed(2), expected!.nominal.toFixed(2), ...causes.map((c) => c.kind)]
    }
    expect(off(0.5, false)).toEqual(['right', '0.50', '0.00', 'gateBlocks'])
    expect(off(0.6, false)).toEqual(['wrong', '0.50', '0.00', 'shouldBeOff', 'gateBlocks'])
    expect(off(2.9, true)).toEqual(['right', '2.90', '2.40', 'gateBlocks'])
    expect(off(3, true)).toEqual(['wrong', '2.90', '2.40', 'shouldBeOff', 'gateBlocks'])
    // Nobody said whether it is in it.
    expect(off(2.9, null)).toEqual(['right', '2.90', '0.00', 'gateBlocks'])
  })

  it('a row of its own that draws nothing: what lies on its way, too; one that draws a little has its volts', () => {
    const row = { place: 'rowTerminals', at: 'kit.row1' } as const
    expect(said({ ...row, value: 0.3 }, [LINE]).slice(2)).toEqual([
      { kind: 'meterNext', at: 'tstat.E' },
      { kind: 'gateToCheck', at: 'kit.seq1c' },
      { kind: 'rowOpen', rows: 0 },
      { kind: 'linkOpen' },
      { kind: 'limitOpen' },
      { kind: 'gateToCheck', at: 'tstat.outE' },
      { kind: 'commonOpen', from: 'ah.C' },
    ])
    const plain = [{ kind: 'rowOpen', rows: 0 }, { kind: 'linkOpen' }, { kind: 'limitOpen' }]
    // From half an ampere on a clamp has read something.
    expect(said({ ...row, value: 0.5 }, [LINE]).slice(2)).toEqual(plain)
    expect(said({ place: 'kitLead', at: 'kit.L1', value: 0.3 }, [LINE]).slice(2)).toEqual(plain)
    const [verdict, waiting] = said({ ...row, value: 0.3 }, [LINE])
    expect([verdict, waiting]).toEqual(['wrong', { kind: 'sequencerWaiting', seconds: 30 }])
  })

  it('ohms of a row: 10.8 to 13.2 are right', () => {
    expect(said({ ...ohms, value: 10.9 })).toEqual(['right'])
    expect(said({ ...ohms, value: 10.7 })).toEqual(['wrong', { kind: 'rowIsolated' }, { kind: 'wrongKit' }])
    expect(said({ ...ohms, value: 13.1 })).toEqual(['right'])
    expect(said({ ...ohms, value: 13.3 })).toEqual(['wrong', { kind: 'wrongKit' }, { kind: 'looseLug' }])
    expect(said({ ...ohms, value: 'OL' })).toEqual([
      'wrong', { kind: 'acrossRow' }, { kind: 'linkOpen' }, { kind: 'limitOpen' }, { kind: 'rowOpen', rows: 1 },
    ]) // prettier-ignore
  })

  it('line volts: from the plate’s 197 to 253, and more than 12 V off the service is another look', () => {
    expect(said({ ...line, value: 229 })).toEqual(['right'])
    expect(said({ ...line, value: 227 })).toEqual(['watch', { kind: 'utility' }, { kind: 'looseLug' }])
    expect(said({ ...line, value: 253 })).toEqual(['watch', { kind: 'utility' }, { kind: 'looseLug' }])
    expect(said({ ...line, value: 254 })).toEqual(['wrong', { kind: 'looseLug' }, { kind: 'utility' }])
    expect(said({ ...line, value: 196 })).toEqual(['wrong', { kind: 'looseLug' }, { kind: 'utility' }])
    expect(said({ ...line, value: 0 })).toEqual(['wrong', { kind: 'breakerOff' }, { kind: 'looseLug' }])
  })

  it('no control volts at all: the door switch, the breaker, the fuse', () => {
    expect(said({ kind: 'controlVolts', place: 'terminals', at: 'ah.R', value: 0.4, withBlower: null })).toEqual([
      'wrong', { kind: 'doorOpen' }, { kind: 'breakerOff' }, { kind: 'fuseOpen' },
    ]) // prettier-ignore
  })

  it('dead here and live there: the conductor between the two, and nothing of the supply', () => {
    const at = (where: 'ah.R' | 'od.R', value: number, modes = {}): Partial<Reading> => ({
      kind: 'controlVolts', place: 'terminals', at: where, value, withBlower: null,
      situation: { call: 'off', outdoorF: LINE.situation.outdoorF, modes },
    }) // prettier-ignore
    const supply = [{ kind: 'doorOpen' }, { kind: 'breakerOff' }, { kind: 'fuseOpen' }]
    const between = { kind: 'conductorOpen', from: 'ah.R' }
    // Nothing is known of the air handler: its supply first, what lies between last.
    expect(said(at('od.R', 0))).toEqual(['wrong', ...supply, between])
    // What is live there is not the supply's fault: its own conductor, or its common's.
    expect(said(at('od.R', 0), [reading(at('ah.R', 26))])).toEqual([
      'wrong',
      between,
      { kind: 'commonOpen', from: 'ah.C' },
    ])
    // A board that has lost its common floats at some volts.
    expect(said(at('od.R', 7), [reading(at('ah.R', 26))])[1]).toEqual(between)
    expect(said(at('od.R', 0), [reading(at('ah.R', 3))])).toEqual(['wrong', ...supply, between])
    // Read while the door was open it says nothing of now.
    const open = { 'ah.door': 'open' }
    expect(said(at('od.R', 0), [reading(at('ah.R', 26, open))])).toEqual(['wrong', ...supply, between])
    // With the door open there are to be none, and volts are a supply that was not looked for.
    expect(said(at('ah.R', 0, open))).toEqual(['right'])
    expect(said(at('ah.R', 25, open))).toEqual(['wrong', { kind: 'shouldBeOff' }])
  })

  it('line volts of another service, of one leg, of two where one belongs', () => {
    const usual = [{ kind: 'looseLug' }, { kind: 'utility' }]
    expect(said({ ...line, value: 209 })).toEqual([
      'watch', { kind: 'otherService', volts: 208 }, { kind: 'utility' }, { kind: 'looseLug' },
    ]) // prettier-ignore
    expect(said({ ...line, value: 119 })).toEqual(['wrong', { kind: 'legLost' }, ...usual])
    expect(said({ ...line, value: 150 })).toEqual(['wrong', ...usual])
    const furnace = demoInstallation('tallow-mill')
    const r = reading({ ...line, at: 'fur', value: 241 })
    const { verdict, causes } = judge(new Circuit(furnace), r, [r])
    expect([verdict, ...causes]).toEqual(['wrong', { kind: 'twoLegs' }, ...usual])
  })

  it('strips where none are called: what is on should be off; none is right, with the gate that holds them', () => {
    const off = {
      ...feed,
      situation: { call: 'heat1' as const, outdoorF: LINE.situation.outdoorF, modes: {} },
    }
    const [verdict, first] = said({ ...off, value: 20 })
    expect([verdict, first]).toEqual(['wrong', { kind: 'shouldBeOff' }])
    const [right, gate] = said({ ...off, value: 0.2 })
    expect([right, (gate as { kind: string }).kind]).toEqual(['right', 'gateBlocks'])
  })

  it('the other readings order them: what one speaks against comes last, what one speaks for first', () => {
    const at = { call: 'heat1' as const, outdoorF: LINE.situation.outdoorF, modes: {} }
    const of = (kind: Reading['kind'], value: number, where: string, place: Reading['place']) =>
      reading({ kind, value, at: where, place, withBlower: null, situation: at })
    const back = of('returnAir', 68, 'ah', 'returnDuct')
    const low = of('supplyAir', 78, 'ah', 'supplyDuct')
    const kinds = (all: Reading[]) =>
      judge(new Circuit(inst), low, [back, low, ...all], seen).causes.map((c) => c.kind)
    expect(kinds([])).toEqual([
      'probes',
      'airflowHigh',
      'ductLeak',
      'outdoorCoil',
      'valveLeaks',
      'chargeLow',
      'notPumping',
    ])
    // 1,200 CFM are right for three tons: it is not the air.
    const air = of('airflow', 1200, 'ah', 'duct')
    expect(kinds([air])).toEqual([
      'probes',
      'ductLeak',
      'outdoorCoil',
      'valveLeaks',
      'chargeLow',
      'notPumping',
      'airflowHigh',
    ])
    // 12 °F across the valve leak.
    const valve = of('valveDifference', 12, 'od', 'line')
    expect(kinds([air, valve])[0]).toBe('valveLeaks')
  })

  it('a compressor that draws nothing is not one that does not pump', () => {
    const at = { call: 'heat1' as const, outdoorF: LINE.situation.outdoorF, modes: {} }
    const still = reading({
      kind: 'compressorAmps',
      value: 0,
      at: 'od.compressor',
      place: 'motor',
      withBlower: null,
      situation: at,
    })
    const line = reading({
      kind: 'vapourLine',
      value: 66,
      at: 'od',
      place: 'line',
      withBlower: null,
      situation: at,
    })
    const first = (all: Reading[]) => judge(new Circuit(inst), line, [line, ...all]).causes[0]
    expect(first([])).toEqual({ kind: 'valveOtherWay' })
    expect(first([still])).toEqual({ kind: 'compressorOff' })
  })

  it('where a board has lost its common, what is live elsewhere is no welded contact first', () => {
    const situation = { call: 'emergency' as const, outdoorF: LINE.situation.outdoorF, modes: {} }
    const live = reading({
      kind: 'terminalVolts',
      value: 23.4,
      at: 'tstat.Y',
      place: 'terminals',
      withBlower: null,
      situation,
    })
    const dead = reading({
      kind: 'controlVolts',
      value: 0,
      at: 'od.R',
      place: 'terminals',
      withBlower: null,
      situation,
    })
    expect(said(live, [])).toEqual(['wrong', { kind: 'shouldBeOff' }])
    expect(said(live, [dead])).toEqual([
      'wrong',
      { kind: 'commonOpen', from: 'ah.C' },
      { kind: 'shouldBeOff' },
    ])
  })
})
