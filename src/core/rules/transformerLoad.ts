import { isShort } from './overloads'
import type { StateRule } from './rule'

/** No control transformer gives more volt-amperes for good than it is rated for. */
export const transformerLoad: StateRule<'transformerLoad', 'overloaded'> = {
  id: 'transformerLoad',
  scope: 'state',
  severity: 'wrong',
  codes: ['overloaded'],
  applies: (inst) => inst.placed.some((p) => p.device.parts.some((x) => x.kind === 'transformer')),
  each({ facts }) {
    // A short is told as what it is; that its transformer gives too much then says nothing more.
    if (facts.over.some(isShort)) return null
    const [first] = facts.overloaded
    return first ? { at: first.ref, code: 'overloaded', numbers: [first.va, first.ratedVa] } : null
  },
}
