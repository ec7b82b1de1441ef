import { across, type Circuit, type Outcome } from '../circuit'
import type { Situation } from '../situation'
import { factsOf } from './facts'
import type { StateSeen } from './law'

/** A state as the laws see it. */
export function stateSeen(
  circuit: Circuit,
  outcome: Outcome,
  situation: Situation,
  row: Pick<StateSeen, 'away' | 'means'>,
): StateSeen {
  const { net } = circuit
  return {
    inst: circuit.inst,
    situation,
    away: row.away,
    means: row.means,
    facts: factsOf(circuit, outcome),
    volts(a, b) {
      const [i, j] = [net.index.get(a), net.index.get(b)]
      return outcome.ok && i !== undefined && j !== undefined ? across(outcome.volts, i, j) : Number.NaN
    },
    closed(contact) {
      const i = net.contactIndex.get(contact)
      return outcome.ok && i !== undefined && outcome.closed[i] === 1
    },
  }
}
