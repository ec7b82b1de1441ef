import { Circuit, type Settled } from '@/core/circuit'
import type { Situation } from '@/core/situation'
import { callsOf, modesOf, regionsOf } from '@/core/situation'
import { normalState } from '@/core/equipment'
import { otherRests } from '@/core/rules/resting'
import { draw } from '@/core/instruments/instrument'
import { demoSeen } from '../helpers/seen'
import { jobIds } from '../helpers/demo'
import { sceneInput, scenesOf, simulate, type SimulationInput } from '@/core/simulation'

const pattern = (closed: Uint8Array): string => closed.join('')

/** A day of its own for each seed: weather that swings about a mean, an owner who turns the wall now and then. */
function seeded(seed: number): SimulationInput {
  const mean = -5 + 60 * draw(seed)
  const swing = 5 + 15 * draw(seed + 1)
  const wall = Array.from({ length: 6 }, (_, i) => ({
    at: 3600 * 4 * (i + draw(seed + 10 + i)),
    setpointF: 64 + Math.round(9 * draw(seed + 20 + i)),
    by: 'hand' as const,
  }))
  return {
    air: { at: (s) => mean - swing * Math.cos((2 * Math.PI * s) / 86_400) },
    until: 86_400,
    setpointF: 70,
    roomF: 68,
    system: 'heat',
    wall,
    events: [],
    sampleEvery: 3600,
  }
}

/** The modes of a situation that a proof multiplies: away from normal, and what switches inside their differential did last. */
function told(
  modes: Situation['modes'],
  normal: ReadonlyMap<string, string>,
  inside: ReadonlySet<string>,
): string {
  return Object.entries(modes)
    .filter(([ref, state]) => (normal.has(ref) ? normal.get(ref) !== state : inside.has(ref)))
    .map(([ref, state]) => `${ref}=${state}`)
    .sort()
    .join()
}

describe('the proof is the wider', () => {
  it.each(jobIds())('every rest that %s comes to in time is one that its sweep has judged', (id) => {
    const seen = demoSeen(id)
    const circuit = new Circuit(seen.inst)
    const normal = new Map(modesOf(seen.inst).map(({ ref, mode }) => [ref as string, normalState(mode)]))
    const calls = callsOf(seen.inst)
    const regions = regionsOf(seen.inst)
    const judged = new Map<string, Set<string>>()
    const rowsAt = (call: Situation['call'], outdoorF: Situation['outdoorF']) => {
      const rows = circuit.combinationsAt(call, outdoorF)
      const inside = new Set(rows.flatMap((r) => Object.keys(r.modes)).filter((ref) => !normal.has(ref)))
      return { rows, inside }
    }
    const judgedAt = (call: Situation['call'], outdoorF: Situation['outdoorF']) => {
      const { rows, inside } = rowsAt(call, outdoorF)
      const head = `${call} ${outdoorF}`
      if (!judged.has(head)) {
        judged.set(head, new Set())
        for (const row of rows) {
          const outcome = circuit.settle({ call, outdoorF, modes: row.modes })
          if (outcome.ok)
            judged.get(head)!.add(`${told(row.modes, normal, inside)} ${pattern(outcome.closed)}`)
        }
      }
      return { known: judged.get(head)!, inside }
    }
    if (circuit.hasMemory()) {
      for (const call of calls) for (const outdoorF of regions) judgedAt(call, outdoorF)
      for (const { situation, outcome } of otherRests(circuit, calls, regions)) {
        const { inside } = rowsAt(situation.call, situation.outdoorF)
        if (outcome.ok)
          judged
            .get(`${situation.call} ${situation.outdoorF}`)!
            .add(`${told(situation.modes, normal, inside)} ${pattern(outcome.closed)}`)
      }
    }
    const atRest = (s: Settled) => s.closed.every((c, i) => (c === 1) === (s.drivers[i] === 2))
    const strange: string[] = []
    let rests = 0
    const inputs = [
      ...scenesOf(seen.inst).map((s) => sceneInput(seen, s, { until: 7200 })),
      ...[1, 2, 3].map((n) => seeded(100 * n)),
    ]
    for (const input of inputs)
      for (const step of simulate(circuit, seen, input).steps) {
        const { call, outdoorF, modes } = step.situation
        expect(calls).toContain(call)
        expect(regions).toContain(outdoorF)
        if (!atRest(step.state)) continue
        rests++
        const { known, inside } = judgedAt(call, outdoorF)
        const key = `${told(modes, normal, inside)} ${pattern(step.state.closed)}`
        if (!known.has(key)) strange.push(`${call} at ${outdoorF}: ${told(modes, normal, inside)}`)
      }
    expect([...new Set(strange)]).toEqual([])
    expect(rests).toBeGreaterThan(5)
  })
})
