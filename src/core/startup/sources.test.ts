import { demoInstallation, libraryDevice } from '../../../tests/helpers/demo'
import { reading } from '../../../tests/helpers/reading'
import { FIXTURES } from '../../../tests/helpers/ruleFixtures'
import { STRIPS, GAS, OIL, told } from '../../../tests/helpers/told'
import { Circuit } from '../circuit'
import type { Installation, Wire } from '../installation'
import { degF } from '../units'
import { judge, runSummary, testPlan } from '.'

/** Quillfeather Lane with a second transformer, and conductors: from, to, from, to. */
function twoSources(tap: number, first: boolean, ...ends: Wire['a'][]): Installation {
  const inst = demoInstallation('quillfeather-lane')
  const x = { ref: 'x', label: 'x', device: libraryDevice('sedge-x40'), settings: { tap } }
  const laid = ends.flatMap((a, i) =>
    i % 2 ? [] : [{ id: `x${i}`, cable: null, colour: 'red', a, b: ends[i + 1] ?? null }],
  )
  return {
    ...inst,
    placed: first ? [x, ...inst.placed] : [...inst.placed, x],
    wires: [...inst.wires, ...laid],
  }
}
/** What is said of volts from R to C while all is off: the verdict and its causes. */
function idle(inst: Installation, at: string, value: number): string {
  const r = reading({ kind: 'controlVolts', value, place: 'terminals', at })
  const { verdict, causes } = judge(new Circuit(inst), { ...r, situation: { ...r.situation, call: 'off' } })
  return [verdict, ...causes.map((c) => c.kind)].join(' ')
}

describe('the transformer that volts come from', () => {
  // 26.4 V without load, a little less with a thermostat on it; the other transformer stands on a tap that does not fit.
  it.each<[string, boolean]>([
    ['the first of the job', true],
    ['the last', false],
  ])('is the cabinet’s own, or the one whose R leads there, though another is %s', (_, first) => {
    const inst = twoSources(208, first)
    for (const at of ['ah.R', 'ah', 'tstat.R', 'od.R']) expect(idle(inst, at, 25.8)).toBe('right')
  })

  it('has the tap that is said: that of the one which feeds the place', () => {
    // Fed by feed A of 240 V like the other, on its 208 V tap: 26.4 · 240 / 208 = 30.5 V.
    const inst = twoSources(208, false, 'feedA.L1', 'x.L1', 'feedA.L2', 'x.L2')
    expect(idle(inst, 'x.R', 29.9)).toBe('watch tapLowOnHigh')
    expect(idle(inst, 'ah.R', 25.8)).toBe('right')
  })
})

it('a job with nothing that calls has no minimum-off to try', () => {
  const inst = demoInstallation('quillfeather-lane')
  const bare = { ...inst, placed: inst.placed.filter((p) => p.ref === 'feedA'), wires: [], cables: [] }
  expect(testPlan(new Circuit(bare), degF(47)).map((c) => c.id)).toEqual(['supply'])
})

describe('readings at their edges', () => {
  it('a leg to ground is held against nothing where the circuit comes to no rest', () => {
    const chatter = new Circuit(FIXTURES.noChatter!.broken())
    const leg = reading({ kind: 'legToGround', value: 120, place: 'terminals', at: 'kit.L1' })
    const off = { ...leg, situation: { ...leg.situation, call: 'off' as const } }
    expect(judge(chatter, off)).toEqual({
      verdict: 'unjudged', rule: 'legToGround', unit: 'V', expected: null, from: {}, causes: [],
    }) // prettier-ignore
  })

  it('two clamps are a cause where strips are in both, and nowhere else', () => {
    const kinds = (call: 'heat1' | 'emergency', value: number) =>
      told('blowerAmps', 'ah.blower', value, { ...STRIPS, call, outdoorF: 25 }, 'twoClamps').causes.map((c) => c.kind)
    expect(kinds('heat1', 9)).toEqual(['bearing', 'capacitorWeak', 'airflowHigh'])
    expect(kinds('emergency', 9)).toEqual(['twoClamps', 'bearing', 'capacitorWeak', 'airflowHigh'])
  }) // prettier-ignore

  it('half a range on a plate is none', () => {
    const inlet = (plate: object) => told('gasInlet', 'fur', 6, { ...GAS, plates: { fur: plate } })
    expect(inlet({ inletLowInWc: 5, inletHighInWc: 7 }).basis).toBe('plate')
    expect([inlet({ inletLowInWc: 5 }).basis, inlet({ inletHighInWc: 7 }).basis]).toEqual(['usual', 'usual'])
    const flue = (plate: object) => told('flueTemp', 'fur', 400, { ...OIL, without: ['flueLowF', 'flueHighF'], plates: { fur: plate } })
    expect(flue({ flueLowF: 350, flueHighF: 450 }).basis).toBe('plate')
    expect([flue({ flueLowF: 390 }).basis, flue({ flueHighF: 410 }).basis]).toEqual(['usual', 'usual'])
  }) // prettier-ignore

  it('a flue is held against nothing while no burner is lit, and a nozzle against nothing without the plate’s input', () => {
    expect(told('flueTemp', 'fur', 400, { ...OIL, call: 'fan' }).verdict).toBe('unjudged')
    expect(told('flueTemp', 'fur', 400, OIL).verdict).toBe('right')
    expect(told('nozzle', 'fur', 0.7, { ...OIL, without: ['inputBtuh'] }).verdict).toBe('unjudged')
  })

  it('a defrost’s cap is what its own setting says, on a board that has one for it', () => {
    const inst = demoInstallation('quillfeather-lane', { 'od.defrostPins': 30 })
    const placed = inst.placed.map((p) => ({
      ...p,
      device: {
        ...p.device,
        modes: p.device.modes.map((m) => ({
          ...m,
          transitions: (m.transitions ?? []).map((t) =>
            t.after === 600 ? { ...t, after: { set: 'defrostPins', times: 10 } } : t,
          ),
        })),
      },
    }))
    const r = reading({ kind: 'defrostMinutes', value: 4, place: 'coil', at: 'od' })
    const said = judge(new Circuit({ ...inst, placed }), {
      ...r,
      situation: { call: 'heat1', outdoorF: degF(30), modes: { 'od.board': 'defrost' } },
    })
    // 30 times 10 s are five minutes.
    expect(said.expected?.nominal).toBe(5)
  })

  it('of several cards that wait for warmth the warmest is what is waited for', () => {
    // A two-stage unit: cooling from 60 °F on, and what stands above it by itself.
    const found = runSummary(new Circuit(demoInstallation('pennywort-close')), {
      outdoorF: 20,
      calls: {},
      cards: { supply: { state: 'done', who: '', when: '2026-11-26T09:00:00Z' } },
    })
    expect(found?.aboveF).toBe(60)
  })
})
