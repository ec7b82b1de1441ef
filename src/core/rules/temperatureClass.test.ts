import { demoInstallation } from '../../../tests/helpers/demo'
import { FIXTURES } from '../../../tests/helpers/ruleFixtures'
import { CALLS } from '../equipment'
import { UNKNOWN_SITE, type Installation } from '../installation'
import { Circuit } from '../circuit'
import {
  abnormalCountOf,
  callsOf,
  conditionsOf,
  reachableModes,
  regionsOf,
  type Situation,
} from '../situation'
import { tolerances } from '../tolerances'
import { jobFindings, prove } from './prove'
import { RULES } from './registry'
import { stateSeen } from './seen'

/**
 * The sweep solves and judges once what the circuit cannot tell apart. This judges each rule at each state by itself,
 * with a solution of its own, and keeps the smallest witness: the two must say the same.
 */
function plainly(inst: Installation): { states: number; broken: Map<string, string> } {
  const circuit = new Circuit({ ...inst, placed: [...inst.placed] })
  const size = (s: Situation) =>
    [abnormalCountOf(inst, s), CALLS.indexOf(s.call), Math.abs(s.outdoorF - tolerances.mildF)] as const
  const less = (a: readonly number[], b: readonly number[]) => {
    const i = a.findIndex((v, n) => v !== b[n])
    return i >= 0 && a[i]! < b[i]!
  }
  const rules = RULES.filter((r) => r.scope === 'state').filter((r) => r.applies(inst))
  const best = new Map<string, Situation>()
  let states = 0
  for (const call of callsOf(inst))
    for (const outdoorF of regionsOf(inst))
      for (const modes of reachableModes(inst, call, outdoorF)) {
        const situation: Situation = { call, outdoorF, modes }
        states++
        const row = {
          abnormalCount: abnormalCountOf(inst, situation),
          conditions: conditionsOf(inst, situation),
        }
        const seen = stateSeen(circuit, circuit.settle(situation), situation, row)
        for (const rule of rules) {
          const found = rule.each(seen)
          if (!found) continue
          for (const { code } of 'code' in found ? [found] : found) {
            const known = best.get(code)
            if (!known || less(size(situation), size(known))) best.set(code, situation)
          }
        }
      }
  // One cause that one rule shows in two ways is told once: the valve's sense, by the lowest call.
  const sense = jobFindings({ ...UNKNOWN_SITE, inst }).some((f) => f.code === 'valveSense')
  if (sense && best.has('coolingHeats')) best.delete('heatingCools')
  return { states, broken: new Map([...best].map(([code, s]) => [code, JSON.stringify(s)])) }
}

const said = (inst: Installation) => {
  const proof = prove(inst)
  const byState = RULES.filter((r) => r.scope === 'state').map((r) => r.id)
  return {
    states: proof.solved,
    broken: new Map(
      proof.findings.filter((f) => byState.includes(f.rule)).map((f) => [f.code, JSON.stringify(f.witness)]),
    ),
  }
}

describe('a sweep by classes', () => {
  it.each([
    'saltmarsh-row', 'sandpiper-green', 'lapwing-court', 'copper-alley', 'dovecote-lane', 'ferrous-hill', 'gorse-end',
    'millrace-cottage', 'tansy-street', 'brambling-rise',
  ])('%s: the same states, findings and smallest witnesses as judging each state by itself', (id) => {
    const inst = demoInstallation(id)
    expect(said(inst)).toEqual(plainly(inst))
  }) // prettier-ignore

  it('the same for jobs that break one rule after the other', () => {
    let broken = 0
    const remembering: string[] = []
    for (const [rule, f] of Object.entries(FIXTURES)) {
      const inst = f.broken()
      // Rests that depend on what stood before have a test of their own: here each state is judged from rest.
      if (prove(inst).factors.otherRests > 0) {
        remembering.push(rule)
        continue
      }
      const ours = said(inst)
      expect([rule, ours]).toEqual([rule, plainly(inst)])
      broken += ours.broken.size
    }
    expect(broken).toBeGreaterThan(20)
    // A relay that holds itself in; a valve coil, and a humidifier's in series, that stays in on volts that would not pull it in.
    expect(remembering).toEqual(['coilVolts', 'humidifierHeat', 'wireDetect'])
  }, 120_000)
})
