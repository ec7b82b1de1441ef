import { Circuit, transformerAmps, type Outcome, type Settled, type TransformerBranch } from '../circuit'
import type { Installation } from '../installation'
import { factsOf } from '../rules'
import { callsOf } from '../situation'
import { tolerances } from '../tolerances'
import { degF } from '../units'
import type { Unmet } from '../wiring'

/** °F: a cold day, the mild point and a hot one are enough to see what the gear cannot give. */
const DAYS = [10, 47, 85].map(degF)
/** Part of a transformer's rating that a plan may use; rarer states than are looked at here ask up to a hundredth more. */
const ROOM = tolerances.overloadShare - 0.01

const used = (t: TransformerBranch, outcome: Settled): number =>
  (transformerAmps(t, outcome) * t.part.secondaryVolts) / t.part.va

/**
 * Problems of the landed plan that no landing can fix: strips or a compressor without a blower, a coil between on and
 * off, a transformer that is too small. Checked with at most two modes away from normal; the proof checks all of them.
 */
export function limitsOf(inst: Installation): Unmet[] {
  const circuit = new Circuit(inst)
  const found = new Set<Unmet>()
  for (const call of callsOf(inst))
    for (const outdoorF of DAYS) {
      const outcomes: Outcome[] = []
      const rows = circuit.combinationsAt(call, outdoorF)
      rows.forEach(({ modes, abnormalCount, conditions, parentIndex }, i) => {
        if (abnormalCount > 2) return
        const outcome = circuit.settle({ call, outdoorF, modes }, 'open', outcomes[parentIndex])
        outcomes[i] = outcome
        const facts = factsOf(circuit, outcome)
        if (facts.weak.length || (outcome.ok && circuit.holdsOn(outcome))) found.add('weakInput')
        if (outcome.ok && circuit.net.transformers.some((t) => used(t, outcome) > ROOM))
          found.add('transformerSmall')
        if (abnormalCount > 1 || (abnormalCount === 1 && !conditions.has('defrost'))) return
        if ((facts.stripsOn.length || facts.compressor) && !facts.blower) found.add('fanMissing')
      })
    }
  return [...found]
}
