import { nth } from '../assert'
import { targetsOf } from '../query'
import type { Truth } from '../equipment'
import { solve, type Circuit } from '../circuit'
import type { Ref } from '../installation'
import { breakpointsOf, type Situation } from '../situation'
import { tolerances } from '../tolerances'
import { degF } from '../units'

/** A stretch of outdoor temperature (°F, from ≤ T < to) in which every answer stays the same. */
export interface Stretch {
  from: number
  to: number
  /** What runs; unknown where a differential's memory or an unknown setting decides. */
  running: Record<Ref, Truth>
}

/** What may run over all outdoor temperatures for one call and one state of the modes: the proof strip's lanes. */
export function stripOf(circuit: Circuit, situation: Situation): Stretch[] {
  const edges = [tolerances.coldestF, ...breakpointsOf(circuit.inst), tolerances.warmestF]
  const targets = targetsOf(circuit.inst)
  return edges.slice(0, -1).map((from, i) => {
    const to = nth(edges, i + 1)
    const at: Situation = { ...situation, outdoorF: degF((from + to) / 2) }
    const open = solve(circuit, at, 'open')
    const closed = solve(circuit, at, 'closed')
    const running: Record<Ref, Truth> = {}
    for (const { ref } of targets) {
      const a = open.ok && open.energised(ref)
      const b = closed.ok && closed.energised(ref)
      running[ref] = a === b ? (a ? 'yes' : 'no') : 'unknown'
    }
    return { from, to, running }
  })
}
