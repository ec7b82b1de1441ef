import { Circuit } from '../circuit'
import { singleFailures } from '../failures'
import { demoSeen } from '../../../tests/helpers/seen'
import { sceneInput, simulate, type Simulation } from '.'

const HOUR = 3600
/** A two-stage unit with a demand board, with so much water in the air at 30 °F for a day. */
function day(dewF: number, lost: { mode: `${string}.${string}`; state: string }[] = []): Simulation {
  const seen = demoSeen('pennywort-close')
  return simulate(new Circuit(seen.inst), seen, {
    ...sceneInput(seen, 'fog34', { until: 24 * HOUR, sampleEvery: 600 }),
    air: { at: () => 30, dewAt: () => dewF },
    events: lost.map((e) => ({ at: 0, ...e })),
  })
}

/** Each defrost: h at which it began, h of compressor since the one before, and what let it go. */
function defrostsOf({ steps }: Simulation) {
  const found: { at: number; ran: number; by: string | null; counted: number }[] = []
  let ran = 0
  steps.forEach((step, i) => {
    for (const m of step.moves)
      if (m.kind === 'mode' && m.ref === 'od.board' && m.to === 'defrost') {
        found.push({ at: step.at / HOUR, ran: ran / HOUR, by: m.because?.feels ?? null, counted: m.waited })
        ran = 0
      }
    const runs = step.running.includes('od.compressor') && step.situation.modes['od.board'] !== 'defrost'
    if (runs) ran += (steps[i + 1]?.at ?? step.at) - step.at
  })
  return found
}

describe('a demand board', () => {
  it('starts when the coil has grown colder, not before its least run', () => {
    const wet = defrostsOf(day(30))
    expect(wet.length).toBeGreaterThan(8)
    expect(new Set(wet.map((d) => d.by))).toEqual(new Set(['frostDrop']))
    for (const d of wet) expect(d.ran).toBeGreaterThanOrEqual(0.5 - 1e-6)
    // Less water in the air makes less frost: it waits for longer, which a timed board never does.
    const drier = defrostsOf(day(26))
    expect(drier.length).toBeLessThan(wet.length)
  })

  it('on a dry day goes by its longest run alone: 6 h of compressor below 40 °F', () => {
    // At a dew point of −20 °F nothing freezes on a coil near 18 °F.
    const dry = defrostsOf(day(-20))
    expect(dry.length).toBeGreaterThan(0)
    for (const d of dry) {
      expect(d.by).toBeNull()
      expect(d.counted).toBe(6 * HOUR)
      expect(d.ran).toBeCloseTo(6, 1)
    }
  })

  it('without its outdoor sensor counts 90 minutes on a cold coil; without its coil sensor never defrosts', () => {
    const byTime = defrostsOf(day(-20, [{ mode: 'od.airSensor', state: 'lost' }]))
    expect(byTime.length).toBeGreaterThan(5)
    for (const d of byTime) expect(d.counted).toBe(90 * 60)
    const none = day(30, [{ mode: 'od.coilSensor', state: 'lost' }])
    expect(defrostsOf(none)).toEqual([])
    // A coil that blocks: over three pounds a ton.
    expect(none.sums.mostFrostLb).toBeGreaterThan(9)
  })

  it('tells a failure of each sensor by what becomes of its defrosts', () => {
    const { inst } = demoSeen('pennywort-close')
    const of = (mode: string) => singleFailures(inst).find((e) => e.failure.at === `od.${mode}`)
    expect(of('coilSensor')).toMatchObject({ kind: 'unnoticed', defrosts: 'never' })
    expect(of('airSensor')).toMatchObject({ kind: 'unnoticed', defrosts: 'byTime' })
    // A timed board has neither.
    expect(singleFailures(demoSeen('quillfeather-lane').inst).some((e) => e.defrosts)).toBe(false)
  })
})
