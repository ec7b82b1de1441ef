import { demoInstallation, wireBetween } from '../../../tests/helpers/demo'
import { joined, stageDriven } from '../../../tests/helpers/ruleFixtures'
import type { Installation } from '../installation'
import { degF } from '../units'
import { diagnose, failuresOf, singleFailures, withFailure, type Effect, type MeterAnswer } from '.'

const right = () => demoInstallation('quillfeather-lane')
const wireOf = (inst: Installation, a: string, b: string) => `wires.${wireBetween(inst, a, b).id}`
const effects = (inst: Installation) => {
  const all = singleFailures(inst)
  return (kind: string, at: string, state?: string): Effect => {
    const found = all.find(
      (e) => e.failure.kind === kind && e.failure.at === at && (!state || e.failure.state === state),
    )
    if (!found) throw new Error(`no ${kind} ${at}`)
    return found
  }
}

describe('if one part fails', () => {
  const of = effects(right())

  it.each([
    ['mode', 'ah.fuse24', 'blown', 'noHeat', 'the 24 V fuse feeds every coil'],
    ['mode', 'feedA.breaker', 'off', 'noHeat', 'the transformer hangs on the kit’s circuit'],
    ['mode', 'kit.link1', 'open', 'unnoticed', 'half the kit is missed only when it is cold'],
    ['stuckOpen', 'odt.switch', undefined, 'unnoticed', 'no aux in the cold, nothing to see today'],
    ['stuckClosed', 'odt.switch', undefined, 'unnoticed', 'aux in mild weather on an aux call only'],
    ['stuckClosed', 'kit.seq1c', undefined, 'harm', 'a welded sequencer heats with no blower'],
    ['loadOpen', 'ah.blower', undefined, 'harm', 'strips without air'],
    ['loadOpen', 'od.contactor', undefined, 'noticed', 'no compressor on any day'],
    ['stuckClosed', 'od.pole', undefined, 'noticed', 'a stuck contactor runs with everything off'],
    ['loadOpen', 'od.fan', undefined, 'noticed', 'the outdoor fan stands still'],
    ['stuckClosed', 'od.fanRelay', undefined, 'unnoticed', 'a fan that does not stop shows in defrost only'],
    ['loadOpen', 'od.rvCoil', undefined, 'unnoticed', 'cooling heats, and nobody cools at 47 °F and below'],
    ['stuckOpen', 'od.outW', undefined, 'unnoticed', 'defrosts blow cold'],
  ] as const)('%s %s %s is %s %s', (kind, at, state, effect, _why) => {
    expect(of(kind, at, state).kind).toBe(effect)
  })

  it('knows what each wire of the emergency route is for', () => {
    const e = of('wireOpen', wireOf(right(), 'tstat.E', 'ah.W2'))
    expect(e).toMatchObject({ kind: 'unnoticed', witness: { call: 'emergency' } })
    expect(e.lost).toEqual(['kit.row1', 'kit.row2'])
    expect(of('wireOpen', wireOf(right(), 'tstat.C', 'ah.C')).kind).toBe('noHeat')
  })

  it('finds a welded interlock relay on a furnace dangerous, and an empty tank a house without heat', () => {
    const fuel = effects(stageDriven())
    expect(fuel('stuckClosed', 'rel.nc')).toMatchObject({ kind: 'harm', rule: 'heatAheadOfCoil' })
    expect(fuel('mode', 'fur.door', 'open').kind).toBe('noHeat')
  })

  it('covers every landed low-voltage conductor once, and stops when told to', () => {
    const inst = right()
    const wires = failuresOf(inst).filter((f) => f.kind === 'wireOpen')
    expect(new Set(wires.map((w) => w.at)).size).toBe(wires.length)
    // 27 conductors, 2 of them bare spares, 7 of them line voltage.
    expect(wires).toHaveLength(27 - 2 - 7)
    expect(singleFailures(inst, (done) => done < 3)).toHaveLength(3)
  })

  it('leaves the job that it is given alone', () => {
    const inst = right()
    const before = JSON.stringify(inst)
    for (const f of failuresOf(inst)) withFailure(inst, f)
    expect(JSON.stringify(inst)).toBe(before)
  })
})

describe('a protection that cannot open any more', () => {
  it.each([
    ['osier-walk', 'flo.switch'],
    ['osier-walk', 'leak.switch'],
    ['osier-walk', 'mon.switch'],
    ['quillfeather-lane', 'kit.limit1'],
    ['tallow-mill', 'fur.limit'],
    ['tallow-mill', 'fur.pressure'],
    ['tallow-mill', 'fur.flame'],
    ['candlemaker-yard', 'fur.lockout'],
    // A board that can no longer drop the compressor when it locks it out.
    ['quillfeather-lane', 'od.boardY'],
  ])('%s %s is lost, and found only by a test', (job, at) => {
    expect(effects(demoInstallation(job))('stuckClosed', at).kind).toBe('lostProtection')
  })

  it('a low-gas switch is one where there is one, and the gas itself is none', () => {
    const of = (where: string) => effects(demoInstallation('tallow-mill', { 'fur.gasSwitch': where }))
    expect(of('pressure')('stuckClosed', 'fur.lowGas').kind).toBe('lostProtection')
    expect(of('none')('stuckClosed', 'fur.lowGas').kind).toBe('nothing')
    expect(failuresOf(demoInstallation('tallow-mill')).some((f) => f.at === 'fur.gas')).toBe(false)
  })

  it('is nothing that changes a call while all is well: a welded sequencer, a contactor', () => {
    expect(effects(right())('stuckClosed', 'od.pole').kind).toBe('noticed')
  })

  it('a dead zone panel stops every call; in a defrost W comes from outdoors, and no G', () => {
    expect(effects(demoInstallation('brambling-rise'))('loadOpen', 'zone.logic')).toMatchObject({
      kind: 'harm',
      rule: 'stripsNeedBlower',
      witness: { modes: { 'od.board': 'defrost' } },
    })
  })
})

describe('the next best meter point', () => {
  const symptom = {
    target: 'kit.row1' as const,
    situation: { call: 'heatAux1' as const, outdoorF: degF(20), modes: {} },
    runs: false,
  }

  it('starts from every failure that would explain it, and no other', () => {
    const { causes } = diagnose(right(), symptom, [])
    const at = causes.map((c) => c.at)
    for (const cause of ['odt.switch', 'kit.link1', 'kit.row1', 'kit.seq1', 'tstat.outAux', 'ah.fuse24'])
      expect(at).toContain(cause)
    for (const other of ['kit.link2', 'od.fan', 'tstat.outE', 'od.rvCoil']) expect(at).not.toContain(other)
  })

  it('asks for low voltage first, where both answers leave work done', () => {
    const { causes, points } = diagnose(right(), symptom, [])
    const [best] = points
    expect(best!.side).toBe('low')
    expect(best!.ifLive + best!.ifDead).toBe(causes.length)
    expect(Math.max(best!.ifLive, best!.ifDead)).toBeLessThan(causes.length * 0.7)
  })

  it('narrows with each reading until the failed part is left, whichever it is', () => {
    const inst = right()
    for (const failed of ['odt.switch', 'tstat.outAux', 'kit.seq1', 'ah.fuse24']) {
      const truth = diagnose(inst, symptom, []).causes.find((c) => c.at === failed)!
      const answers: MeterAnswer[] = []
      for (let n = 0; n < 8; n++) {
        const { causes, points } = diagnose(inst, symptom, answers)
        expect(causes.map((c) => c.at)).toContain(failed)
        const next = points[0]
        if (!next || causes.length === 1) break
        // Which answer the real house would give: the one that keeps the failed part among the causes.
        const live = diagnose(inst, symptom, [...answers, { a: next.a, b: next.b, live: true }])
        answers.push({
          a: next.a,
          b: next.b,
          live: live.causes.some((c) => c.at === truth.at && c.kind === truth.kind),
        })
      }
      const left = diagnose(inst, symptom, answers)
      // In the kit's first row: coil, its common, contact, element and link, which no terminal tells apart.
      expect(left.causes.length).toBeLessThanOrEqual(6)
      expect(answers.length).toBeLessThanOrEqual(6)
    }
  })

  it('says that no single failure explains readings that contradict each other', () => {
    const answers: MeterAnswer[] = [
      { a: 'ah.R', b: 'ah.C', live: false },
      { a: 'tstat.R', b: 'tstat.C', live: true },
    ]
    expect(diagnose(right(), symptom, answers)).toEqual({ causes: [], points: [] })
  })
})

describe('what is silent', () => {
  it('a dead compressor, where nothing holds the strips off: every house that the strips can heat stays warm', () => {
    // The outdoor thermostat jumped: aux heats at 45 °F too, so that each demand is answered by the strips.
    const inst = joined(right(), 'tstat.AUX', 'ah.W1')
    expect(effects(inst)('loadOpen', 'od.contactor').kind).toBe('unnoticed')
    expect(effects(right())('loadOpen', 'od.contactor').kind).toBe('noticed')
  })
})
