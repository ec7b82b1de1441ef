import type { Ref } from '../installation'
import { targetsOf } from '../query'
import fc from '../../../tests/helpers/property'
import { demoInstallation, jobIds } from '../../../tests/helpers/demo'
import { Circuit, solve } from '../circuit'
import { callsOf } from '../situation'
import type { Call, Truth } from '../equipment'
import { degF } from '../units'
import { stripOf, type Stretch } from '.'

const COLDEST = -20
const WARMEST = 115
const strip = (job: string, call: Call, modes: Record<string, string> = {}, settings = {}) =>
  stripOf(new Circuit(demoInstallation(job, settings)), { call, outdoorF: degF(50), modes })
const at = (stretches: Stretch[], t: number) => stretches.find((s) => s.from <= t && t < s.to)!

describe('what may run over all outdoor temperatures', () => {
  // The outdoor thermostat closes below 35 °F and opens at 40 (5 °F of differential): between, what it did last decides.
  it.each([
    [20, 'yes'],
    [34.9, 'yes'],
    [35.1, 'unknown'],
    [39.9, 'unknown'],
    [40.1, 'no'],
    [100, 'no'],
  ])('on heat + aux at %d °F the strips are: %s', (t, truth) => {
    const { running } = at(strip('quillfeather-lane', 'heatAux1'), t)
    expect([running['kit.row1'], running['kit.row2']]).toEqual([truth, truth])
    expect(running['od.compressor']).toBe('yes')
  })

  it('follows the setting: closes below 25, opens at 30', () => {
    const lanes = strip('quillfeather-lane', 'heatAux1', {}, { 'odt.setpoint': 25 })
    expect([24, 27, 31].map((t) => at(lanes, t).running['kit.row1'])).toEqual(['yes', 'unknown', 'no'])
  })

  it('a setting that is not known is an answer that is not known, at every temperature between its ends', () => {
    const lanes = strip('quillfeather-lane', 'heatAux1', {}, { 'odt.setpoint': null })
    expect(at(lanes, 30).running['kit.row1']).toBe('unknown')
  })

  it('emergency heat is a solid lane for the strips and an empty one for the compressor', () => {
    for (const { running } of strip('quillfeather-lane', 'emergency'))
      expect([running['kit.row1'], running['kit.row2'], running['od.compressor']]).toEqual([
        'yes',
        'yes',
        'no',
      ])
  })

  it('with the breaker of the outdoor unit off nothing there runs, at any temperature', () => {
    for (const { running } of strip('quillfeather-lane', 'heat1', { 'feedB.breaker': 'off' }))
      expect([running['od.compressor'], running['od.fan']]).toEqual(['no', 'no'])
  })

  const jobs = jobIds()
  it.each(jobs)('%s: the stretches meet, from −20 to 115 °F, and name all that can run', (job) => {
    const inst = demoInstallation(job)
    for (const call of callsOf(inst)) {
      const lanes = strip(job, call)
      expect([lanes[0]!.from, lanes[lanes.length - 1]!.to]).toEqual([COLDEST, WARMEST])
      lanes.slice(1).forEach((s, i) => expect(s.from).toBe(lanes[i]!.to))
      for (const s of lanes) {
        expect(s.to).toBeGreaterThan(s.from)
        expect(Object.keys(s.running).sort()).toEqual(
          targetsOf(inst)
            .map((t) => t.ref)
            .sort(),
        )
      }
    }
  })

  it('every stretch is true of each of its temperatures, not of its middle alone', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...jobs),
        fc.nat(),
        fc.double({ min: COLDEST, max: WARMEST - 0.01, noNaN: true }),
        (job, nth, t) => {
          const circuit = new Circuit(demoInstallation(job))
          const calls = callsOf(circuit.inst)
          const call = calls[nth % calls.length]!
          const stretch = at(stripOf(circuit, { call, outdoorF: degF(50), modes: {} }), t)
          for (const memory of ['open', 'closed'] as const) {
            const solved = solve(circuit, { call, outdoorF: degF(t), modes: {} }, memory)
            for (const [ref, truth] of Object.entries(stretch.running) as [Ref, Truth][])
              if (truth !== 'unknown')
                expect([ref, solved.ok && solved.energised(ref)]).toEqual([ref, truth === 'yes'])
          }
        },
      ),
      { seed: 20261125, numRuns: 150 },
    )
  })
})
