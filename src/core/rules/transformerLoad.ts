import { worstCase, isShort } from './overloads'
import type { StateRule } from './rule'

/** No control transformer gives more volt-amperes continuously than it is rated for. */
export const transformerLoad: StateRule<'transformerLoad', 'overloaded'> = {
  id: 'transformerLoad',
  scope: 'state',
  severity: 'wrong',
  codes: ['overloaded'],
  applies: (inst) => inst.placed.some((p) => p.device.parts.some((x) => x.kind === 'transformer')),
  each({ facts }) {
    // A short is told as what it is; that its transformer gives too much then says nothing more.
    if (facts.over.some(isShort)) return null
    const worst = worstCase(facts.overloaded, (t) => t.va / t.ratedVa)
    return worst && { at: worst.ref, code: 'overloaded', numbers: [worst.va, worst.ratedVa] }
  },
}
