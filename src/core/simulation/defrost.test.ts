import { Circuit } from '../circuit'
import { demoSeen } from '../../../tests/helpers/seen'
import {
  variationKey,
  variationsOf,
  withVariation,
  pinDays,
  sceneInput,
  simulate,
  type SiteFault,
  type Sums,
} from '.'

const seen = demoSeen('quillfeather-lane')
const circuit = new Circuit(seen.inst)
/** A day of fog at 34 °F, or of other weather, with something wrong. */
function day(fault: SiteFault | null, outdoorF = 34): Sums & { left: number; firstDefrost: number | null } {
  const run = simulate(circuit, seen, {
    ...sceneInput(seen, 'fog34', { until: 86_400, sampleEvery: 600 }),
    air: { at: () => outdoorF, dewAt: () => outdoorF },
    fault,
  })
  const starts = run.steps.find((s) => s.moves.some((m) => m.kind === 'mode' && m.to === 'defrost'))
  return { ...run.sums, left: run.samples[run.samples.length - 1]!.frostLb, firstDefrost: starts?.at ?? null }
}

describe('a time-and-temperature defrost', () => {
  const sound = day(null)

  it('comes after an hour of running with a cold coil, over several runs, and ends by its temperature', () => {
    // The count adds up while the contactor is in and the coil below 30 °F: 24 h of running at the most hold 24 of them.
    expect(sound.defrosts).toBeGreaterThan(3)
    expect(sound.defrosts).toBeLessThanOrEqual(Math.ceil(sound.compressorHours))
    expect(sound.defrostsByTime).toBe(0)
  })

  it('with its switch stuck open never comes, and the ice grows', () => {
    const open = day('coilSwitchOpen')
    expect(open.defrosts).toBe(0)
    expect(open.left).toBeGreaterThan(sound.mostFrostLb)
    expect(open.heatPumpBtu / open.compressorHours).toBeLessThan(sound.heatPumpBtu / sound.compressorHours)
  })

  it('with its switch stuck closed comes every hour of running in any weather, to the board’s cap', () => {
    const mild = day('coilSwitchClosed', 45)
    expect(day(null, 45).defrosts).toBe(0)
    expect(mild.defrosts).toBeGreaterThan(0)
    expect(mild.defrostsByTime).toBe(mild.defrosts)
    // Each begins after 60 min of running: no more than there are hours of it.
    expect(mild.defrosts).toBeLessThanOrEqual(Math.floor(mild.compressorHours) + 1)
  })

  it('names a stuck switch, and no temperature, as what started it', () => {
    const causes = (fault: SiteFault | null, outdoorF: number) =>
      simulate(circuit, seen, {
        ...sceneInput(seen, 'fog34', { until: 6 * 3600, sampleEvery: 600 }),
        air: { at: () => outdoorF, dewAt: () => outdoorF },
        fault,
      }).steps.flatMap((s) =>
        s.moves.flatMap((m) => (m.kind === 'mode' && m.to === 'defrost' ? [m.because] : [])),
      )
    expect(causes('coilSwitchClosed', 45)[0]).toMatchObject({ feels: 'coil', site: 'coilSwitchClosed' })
    expect(causes(null, 34)[0]).toEqual({ feels: 'coil', side: 'below', at: 30, site: null })
  })

  it('with a fan that does not stop takes longer, and may end by time', () => {
    const fan = day('fanStays', 20)
    const right = day(null, 20)
    const minutes = (s: Sums) => (s.backupHours.defrost * 60) / Math.max(1, s.defrosts)
    expect(minutes(fan)).toBeGreaterThan(minutes(right))
    expect(fan.defrostsByTime).toBeGreaterThanOrEqual(right.defrostsByTime)
  })

  it('low on charge gives less, and frosts more for it', () => {
    const low = day('lowCharge')
    expect(low.heatPumpBtu / low.compressorHours).toBeLessThan(
      0.75 * (sound.heatPumpBtu / sound.compressorHours),
    )
    expect(low.stripKwh).toBeGreaterThan(sound.stripKwh)
  })

  it('by intervals: the shorter, the more often and the less ice', () => {
    const { at, days } = pinDays(seen, circuit)!
    expect(at).toBe('od.defrostPins')
    expect(days.filter((d) => d.isSet).map((d) => d.minutes)).toEqual([60])
    for (const [i, d] of days.slice(1).entries()) {
      expect(d.minutes).toBeGreaterThan(days[i]!.minutes)
      expect(d.defrosts).toBeLessThan(days[i]!.defrosts)
      expect(d.mostLb).toBeGreaterThan(days[i]!.mostLb)
    }
  })
})

describe('what is held beside a tape', () => {
  it('is a defrost without backup, where a board sends for it: the strips stay off, and the room pays', () => {
    const input = sceneInput(seen, 'forcedDefrost')
    const cold = withVariation(seen.inst, { kind: 'cold' }).inst
    const [as, without] = [seen.inst, cold].map((inst) =>
      simulate(new Circuit(inst), { ...seen, inst }, input),
    )
    expect([as!.sums.defrosts, without!.sums.defrosts]).toEqual([1, 1])
    expect(as!.sums.backupHours.defrost).toBeGreaterThan(0)
    expect([without!.sums.stripKwh, without!.sums.backupHours.defrost]).toEqual([0, 0])
    const last = (run: typeof as) => run!.samples[run!.samples.length - 1]!.roomF
    expect(last(without)).toBeLessThan(last(as))
    // Where no output of a board is landed there is nothing to leave off.
    const bare = { ...seen.inst, wires: seen.inst.wires.filter((w) => w.a !== 'od.W' && w.b !== 'od.W') }
    expect(variationsOf(bare).map(variationKey)).not.toContain('cold')
  })

  it('are settings with another value that the device takes, and faults of a defrost; each has a key of its own', () => {
    const all = variationsOf(seen.inst)
    const keys = all.map(variationKey)
    expect(new Set(keys).size).toBe(keys.length)
    expect(keys).toEqual(
      expect.arrayContaining([
        'tstat.droop=4',
        'tstat.minimumOff=2',
        'od.defrostPins=30',
        'odt.setpoint=30',
        'odt.setpoint=40',
        'coilSwitchOpen',
      ]),
    )
    expect(keys).toContain('cold')
    // As it is set is no change.
    expect(keys).not.toContain('tstat.droop=2')
    expect(keys).not.toContain('od.defrostPins=60')
  })
})
