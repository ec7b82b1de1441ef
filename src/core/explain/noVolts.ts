import type { Solution } from '../circuit'
import { polesOf } from './poles'
import { costOf, lastTerminal, reachFrom, type Reach } from './route'
import { standing, unfedTerminal, type NoVolts, type SupplyEnd } from './ties'

/** The end of a supply that is nearest, by open contacts; null where none is reached. */
function nearest(solution: Solution, reach: Reach): SupplyEnd | null {
  let best: SupplyEnd | null = null
  let least = Infinity
  polesOf(solution).forEach((p, supply) => {
    for (const [node, side] of [
      [p.hot, 'hot'],
      [p.cold, 'common'],
    ] as const) {
      const cost = costOf(reach, node)
      if (cost >= least) continue
      least = cost
      best = { node, side, supply }
    }
  })
  return best
}

/**
 * Why no supply could energise something, found where no way from any supply to both its ends exists, through open
 * contacts either. `loose` is the end, by its node, that comes to no supply.
 */
export function noVolts(solution: Solution, a: number, b: number): NoVolts & { loose: number | null } {
  const [reachA, reachB] = [reachFrom(solution, a), reachFrom(solution, b)]
  const [endA, endB] = [nearest(solution, reachA), nearest(solution, reachB)]
  if (endA && endB) {
    const around = solution.circuit.net.nodes.flatMap((_, i) =>
      Math.min(costOf(reachA, i), costOf(reachB, i)) < Infinity ? [i] : [],
    )
    return { ...standing(solution, endA, endB, new Set(around)), loose: null }
  }
  const loose = endA ? b : a
  const reach = reachFrom(solution, loose)
  const reached = solution.circuit.net.nodes
    .flatMap((_, i) => (costOf(reach, i) < Infinity ? [i] : []))
    .sort((x, y) => costOf(reach, x) - costOf(reach, y))
  const dead = unfedTerminal(solution, reached)
  if (dead) return { ...dead, loose }
  const last = lastTerminal(solution, reach, loose)
  return { at: last, because: { kind: 'notWired', last }, loose }
}
