import { placedByRef, splitRef, type Installation, type Ref } from '../installation'
import { worstCase, isShort } from './overloads'
import type { StateRule } from './rule'

/** No fuse, breaker, transformer or listed contact carries more than it is made for. */
export const noShort: StateRule<'noShort', 'overcurrent' | 'overRating' | 'beyondList'> = {
  id: 'noShort',
  scope: 'state',
  severity: 'danger',
  codes: ['overcurrent', 'overRating', 'beyondList'],
  applies: () => true,
  each: ({ facts, inst }) => {
    const worst = worstCase(facts.over, (o) => o.amps / o.limitA)
    if (!worst) return null
    return {
      at: worst.ref,
      code: isShort(worst) ? 'overcurrent' : isListed(inst, worst.ref) ? 'beyondList' : 'overRating',
      numbers: [worst.amps, worst.limitA],
    }
  },
}

/** Whether it is a contact for which the manufacturer lists loads: no fuse or breaker, which opens by itself. */
function isListed(inst: Installation, ref: Ref): boolean {
  const { placed, id } = splitRef(ref)
  const part = placedByRef(inst, placed)?.device.parts.find((p) => p.id === id)
  return part?.kind === 'contact' && part.gate !== 'fuse' && part.gate !== 'breaker'
}
