import type { Installation, Ref, Wire } from '@/core/installation'
import { planLanding, planned, USUAL } from '@/core/plan'
import { gear, TWO_STAGE } from './gear'

/** A two-stage heat pump with strips, a wired sensor and a sender and receiver pair, nothing landed. */
export const withPair = (wall: number): Installation =>
  gear([...TWO_STAGE, ['tx', 'sedge-d2s', 'wall'], ['rx', 'sedge-d2r', 'garage']], wall, 8)

/** The same landed by the plan, which puts Y2 and W2 on the pair. */
function pairedCalls(): Installation {
  const inst = withPair(9)
  return planned(inst, planLanding(inst, USUAL))
}

/** The same with the contactor's Y on the conductor of the second stage, and nothing on its own. */
export function pairOnContactor(): Installation {
  const job = pairedCalls()
  const joins = (w: Wire, a: Ref, b: Ref) => (w.a === a && w.b === b) || (w.a === b && w.b === a)
  const wires = job.wires.flatMap((w): Wire[] =>
    joins(w, 'ah.Y', 'od.Y') ? [] : [joins(w, 'ah.Y2', 'od.Y2') ? { ...w, a: 'ah.Y2', b: 'od.Y' } : w],
  )
  return { ...job, wires }
}
