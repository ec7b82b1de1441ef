import { gear, STRIPS, TWO_STAGE, type Short } from '../../../tests/helpers/gear'
import { pairOnContactor, withPair } from '../../../tests/helpers/pair'
import { Circuit, solve } from '../circuit'
import type { Call } from '../equipment'
import type { Installation, Ref } from '../installation'
import { degF } from '../units'
import { prove } from '../rules'
import { planLanding, planned, USUAL, type Plan } from '.'

describe('a cable with too few conductors', () => {
  it('says which cable is short, and by how many', () => {
    // R C Y G O/B AUX are six; five conductors are one short. Outdoors R C Y O/B W are five.
    // One is saved by G on Y: this kit's sequencer runs the blower by itself.
    const p = planLanding(gear(STRIPS, 4, 5), USUAL)
    expect([p.gaveUp, p.short]).toEqual([['tieFan'], [{ cable: 'c1', by: 1 }]])
    expect(p.spares).toEqual([
      { cable: 'c1', left: 0 },
      { cable: 'c2', left: 0 },
    ])
  })

  const two = (wall: number, out = 8) => gear(TWO_STAGE, wall, out)
  const joins = (plan: Plan, a: string, b: string) =>
    plan.wires.some((w) => (w.a === a && w.b === b) || (w.a === b && w.b === a))
  /** Rules that the landed plan breaks. */
  const broken = (inst: Installation, plan: Plan) =>
    prove(planned(inst, plan)).findings.filter((f) => f.severity === 'danger').map((f) => f.code) // prettier-ignore

  // R C G Y Y2 O/B AUX W2 are eight, and two for the sensor.
  it.each([
    [10, [], []],
    [9, ['jumperStages'], []],
    [8, ['jumperStages', 'noSensor'], []],
    [7, ['jumperStages', 'noSensor'], []],
    [6, ['jumperStages', 'noSensor', 'tieFan'], []],
    [5, ['jumperStages', 'noSensor', 'tieFan', 'oneStage'], []],
  ])('%s conductors: gives up %j', (wall, gaveUp, notLanded) => {
    const inst = two(wall)
    const plan = planLanding(inst, { ...USUAL, defrost: 'cold' })
    expect([plan.gaveUp, plan.notLanded, plan.short]).toEqual([gaveUp, notLanded, []])
    expect(broken(inst, plan)).toEqual([])
    // Every row of a three-row kit is reached, by its own conductor or by the jumper.
    expect(joins(plan, 'ah.W1', 'ah.W2')).toBe(gaveUp.length > 0)
  })

  it('never takes R, C, Y or O/B, and says what is not landed', () => {
    const plan = planLanding(two(4), { ...USUAL, defrost: 'cold' })
    for (const [a, b] of [
      ['tstat.Rc', 'ah.R'],
      ['tstat.C', 'ah.C'],
      ['tstat.Y', 'ah.Y'],
      ['tstat.OB', 'ah.O'],
    ] as const)
      // prettier-ignore
      expect([a, joins(plan, a, b)]).toEqual([a, true])
    expect(plan.notLanded).toEqual(['W1'])
    expect(plan.short).toEqual([{ cable: 'c1', by: 1 }])
  })

  it('ties G to Y only where the blower runs without it on every call: not for strips that start none', () => {
    const inst = gear([['tstat', 'sorrel-h1', 'wall'], ['ah', 'plain-air-handler-g', 'garage'], ['kit', 'teasel-k2', 'garage'], ['od', 'marram-s1', 'north']], 5, 8) // prettier-ignore
    const bare = { ...inst, wires: inst.wires.filter((w) => w.a !== 'ah.BL') }
    const of = (job: Installation) => planLanding(job, { ...USUAL, defrost: 'cold' })
    // The kit's first sequencer feeds the blower, by a lead of its own; without that lead strips have no air but by G.
    expect(of(inst).gaveUp).toEqual(['tieFan'])
    expect([of(bare).gaveUp, of(bare).notLanded]).toEqual([[], ['W1']])
  })

  it('lands a sensor at both ends or not at all', () => {
    for (const wall of [5, 6, 7, 8, 9, 10]) {
      const { wires } = planLanding(two(wall), USUAL)
      const pairs = ['tstat.S1', 'tstat.S2', 'sen.S1', 'sen.S2'].filter((t) => wires.some((w) => w.a === t || w.b === t))
      expect([0, 4]).toContain(pairs.length)
    }
  }) // prettier-ignore

  it('tells a thermostat one thing about a stage or a sensor, whatever it was told before', () => {
    const inst = two(7)
    const told = (settings: Record<string, string>) => {
      const placed = inst.placed.map((p) => (p.ref === 'tstat' ? { ...p, settings: { ...p.settings, ...settings } } : p))
      const job = { ...inst, placed }
      const plan = planLanding(job, { ...USUAL, defrost: 'cold' })
      const keys = plan.settings.map((s) => `${s.placed}.${s.setting}`)
      expect(new Set(keys).size).toBe(keys.length)
      return planned(job, plan).placed.find((p) => p.ref === 'tstat')!.settings
    }
    for (const before of [{}, { backupStages: '2', outdoorSource: 'wired' }, { backupStages: '1', outdoorSource: 'feed' }])
      expect(told(before)).toMatchObject({ backupStages: '1', outdoorSource: 'feed' })
  }) // prettier-ignore

  describe('a sender and receiver pair', () => {
    const plan = planLanding(withPair(9), USUAL)
    const job = planned(withPair(9), plan)

    it('comes before anything is given up', () => {
      expect([plan.gaveUp, plan.notLanded, plan.short]).toEqual([['pair'], [], []])
      expect(broken(withPair(9), plan)).toEqual([])
      expect(planLanding(withPair(10), USUAL).gaveUp).toEqual([])
      // It saves one conductor, the stages another.
      expect(planLanding(withPair(8), USUAL).gaveUp).toEqual(['pair', 'jumperStages'])
    })

    it('carries Y2 and G, each alone and both', () => {
      for (const [a, b] of [['tstat.Y2', 'tx.IN1'], ['tstat.G', 'tx.IN2'], ['rx.OUT1', 'ah.Y2'], ['rx.OUT2', 'ah.G']] as const)
        expect([a, joins(plan, a, b)]).toEqual([a, true])
      const circuit = new Circuit(job)
      const at = (call: Call) => {
        const s = solve(circuit, { call, outdoorF: degF(20), modes: {} })
        if (!s.ok) throw new Error(call)
        return ['ah.Y2', 'ah.G'].map((t) => s.volts(t as Ref, 'ah.C') > 20)
      }
      expect(at('cool2')).toEqual([true, true])
      expect(at('fan')).toEqual([false, true])
      expect(at('off')).toEqual([false, false])
    }) // prettier-ignore

    it('sends a twentieth of R, a fifth of it, and all of it', () => {
      // 300 Ω in the receiver behind 5,700 or 1,200 in the sender, and behind none.
      const share = (inst: Installation, call: Call) => {
        const s = solve(new Circuit(inst), { call, outdoorF: degF(20), modes: {} })
        if (!s.ok) throw new Error(call)
        return s.volts('rx.IN', 'rx.C') / s.volts('rx.R', 'rx.C')
      }
      const other = { 'tx.IN1': 'tx.IN2', 'tx.IN2': 'tx.IN1' } as const
      const swap = (ref: Ref | null) => (ref && ref in other ? other[ref as keyof typeof other] : ref)
      const crossed = { ...job, wires: job.wires.map((w) => ({ ...w, a: swap(w.a), b: swap(w.b) })) }
      expect(share(crossed, 'fan')).toBeCloseTo(300 / 6000, 2)
      expect(share(job, 'fan')).toBeCloseTo(300 / 1500, 2)
      expect(share(job, 'cool2')).toBeCloseTo(1, 1)
    })

    it('says where its output carries a load beyond the list: 9 VA of a contactor draw 0.41 A at 26 V', () => {
      const beyond = (inst: Installation) => prove(inst).findings.flatMap((f) => (f.code === 'beyondList' ? [f.at] : []))
      expect(beyond(pairOnContactor())).toEqual(['rx.one'])
      expect(beyond(job)).toEqual([])
    }) // prettier-ignore
  })

  it('runs the blower by a relay at the unit where strips start none', () => {
    const pieces: Short[] = [['tstat', 'sorrel-h1', 'wall'], ['ah', 'plain-air-handler-g', 'garage'], ['kit', 'teasel-k2', 'garage'], ['od', 'marram-s1', 'north'], ['relay', 'sedge-r1', 'garage']] // prettier-ignore
    const inst = gear(pieces, 5, 8)
    const bare = { ...inst, wires: inst.wires.filter((w) => w.a !== 'ah.BL') }
    const plan = planLanding(bare, { ...USUAL, defrost: 'cold' })
    expect([plan.gaveUp, plan.notLanded, plan.short]).toEqual([['fanRelay'], [], []])
    expect(broken(bare, plan)).toEqual([])
    // Where the kit's sequencer starts it, a jumper does the same with less.
    expect(planLanding(inst, { ...USUAL, defrost: 'cold' }).gaveUp).toEqual(['tieFan'])
  })

  it('says that two places share no cable, and calls no cable short for it', () => {
    const inst = gear([...STRIPS, ['odt', 'sedge-t50', 'shed']], 8, 8)
    const plan = planLanding(inst, USUAL)
    expect(plan.short).toEqual([])
    expect(new Set(plan.apart.flat())).toContain('shed')
  })
})
