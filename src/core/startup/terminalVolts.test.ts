import { Circuit } from '../circuit'
import { degF } from '../units'
import { demoInstallation } from '../../../tests/helpers/demo'
import { judge, type Reading } from '.'

const circuit = new Circuit(demoInstallation('quillfeather-lane'))
const reading = (at: string, value: number, over: Partial<Reading> = {}): Reading => ({
  id: 'r',
  kind: 'terminalVolts',
  value,
  place: 'terminals',
  at,
  withBlower: null,
  instrument: 'multimeter',
  situation: { call: 'heatAux1', outdoorF: degF(25), modes: {} },
  who: '',
  when: '2026-11-26T09:00:00Z',
  supersedes: null,
  ...over,
})
const said = (r: Reading, all: Reading[] = []) => judge(circuit, r, all)

describe('24 V at a terminal', () => {
  it('is right within a tenth of what the solved circuit gives there', () => {
    const { expected, verdict } = said(reading('ah.W1', 23.4))
    expect(verdict).toBe('right')
    // The circuit's own figure, ±10 %.
    const { nominal, low, high } = expected!
    expect(nominal).toBeGreaterThan(20)
    expect([low / nominal, high / nominal].map((x) => x.toFixed(2))).toEqual(['0.90', '1.10'])
    expect(said(reading('ah.W1', nominal * 0.89)).verdict).toBe('wrong')
    expect(said(reading('ah.W1', nominal * 1.11)).causes).toEqual([{ kind: 'utility' }])
  })

  it('scales with the line volts that were measured', () => {
    const line = reading('feedA', 228, { id: 'l', kind: 'lineVolts', place: 'feed' })
    const plain = said(reading('ah.W1', 23)).expected!.nominal
    // 228 V of 240 are 95 %.
    expect(said(reading('ah.W1', 23), [line]).expected!.nominal / plain).toBeCloseTo(228 / 240, 6)
  })

  it('a dead one names the point that halves the way, and the gates on it, the nearest first', () => {
    const { verdict, causes } = said(reading('ah.W1', 0.3))
    expect(verdict).toBe('wrong')
    expect(causes[0]!.kind).toBe('meterNext')
    expect(causes.slice(1)).toEqual([
      { kind: 'gateToCheck', at: 'odt.switch' },
      { kind: 'gateToCheck', at: 'tstat.outAux' },
      { kind: 'conductorOpen', from: 'od.W' },
    ])
  })

  it('one that sags is overloaded or loose, before anything is open; one that is dead is open', () => {
    const { verdict, causes } = said(reading('ah.W1', 15))
    expect([verdict, ...causes]).toEqual([
      'wrong',
      { kind: 'overload' },
      { kind: 'looseLug' },
      { kind: 'meterNext', at: 'spl.x' },
    ])
    // Up to 3 V are none.
    for (const none of [0, 3])
      expect(said(reading('ah.W1', none)).causes.map((c) => c.kind)).toEqual([
        'meterNext',
        'gateToCheck',
        'gateToCheck',
        'conductorOpen',
      ])
    expect(said(reading('ah.W1', 3.1)).causes[0]).toEqual({ kind: 'overload' })
  })

  it('where a point on the way was read live, what lies behind it, in its order', () => {
    const live = reading('odt.T1', 24, { id: 'l' })
    // From the splice's side on: the switch itself, the jumper to the W terminal, the conductor indoors.
    expect(said(reading('ah.W1', 0.3), [live]).causes).toEqual([
      { kind: 'gateToCheck', at: 'odt.switch' },
      { kind: 'conductorOpen', from: 'odt.T2' },
      { kind: 'conductorOpen', from: 'od.W' },
    ])
    // Read dead behind the switch it is the switch alone.
    const dead = reading('odt.T2', 0, { id: 'd' })
    expect(said(reading('ah.W1', 0.3), [live, dead]).causes).toEqual([
      { kind: 'gateToCheck', at: 'odt.switch' },
    ])
  })

  it('what an open output lets through is a ghost, and no 24 V', () => {
    // The B output of this thermostat leaks when it is open: 10 MΩ show it, 3 kΩ pull it down.
    const leaky = new Circuit(demoInstallation('ferrous-hill'))
    const at = (value: number) =>
      judge(leaky, reading('tstat.B', value, { situation: { call: 'fan', outdoorF: degF(42), modes: {} } }))
    expect(at(2.8)).toMatchObject({ verdict: 'right', causes: [] })
    expect(at(0).verdict).toBe('right')
    expect(at(25)).toMatchObject({ verdict: 'watch', causes: [{ kind: 'ghost' }] })
    expect(at(45)).toMatchObject({ verdict: 'wrong', causes: [{ kind: 'shouldBeOff' }] })
  })

  it('one that is off has at most 2 V; a little more may be a ghost, 24 V never is', () => {
    const off = { situation: { call: 'heat1' as const, outdoorF: degF(45), modes: {} } }
    expect(said(reading('ah.W1', 1.9, off))).toMatchObject({
      verdict: 'right',
      expected: { low: 0, high: 2, nominal: 0 },
    })
    expect(said(reading('ah.W1', 2.1, off))).toMatchObject({ verdict: 'watch', causes: [{ kind: 'ghost' }] })
    expect(said(reading('ah.W1', 24, off))).toMatchObject({
      verdict: 'wrong',
      causes: [{ kind: 'shouldBeOff' }],
    })
  })

  it('is held against the job as it stood for the test', () => {
    // With the outdoor thermostat at 15 °F nothing comes to W1 at 25 °F outdoors.
    const moved = [{ at: 'odt.setpoint' as const, value: 15 }]
    expect(said(reading('ah.W1', 0.2, { moved })).verdict).toBe('right')
    expect(said(reading('ah.W1', 24, { moved })).verdict).toBe('wrong')
    expect(said(reading('ah.W1', 0.2)).verdict).toBe('wrong')
  })

  it('is recorded where there is no common to hold it against', () => {
    expect(said(reading('odt.T1', 24)).verdict).toBe('unjudged')
  })
})
