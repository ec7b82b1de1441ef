import { hasTrait } from '../equipment'
import { makeRef, type Installation, type Placed } from '../installation'
import { landedAt, terminalsWith, wiredNet } from '../query'
import type { JobRule } from './rule'

const isFeed = (p: Placed): boolean => hasTrait(p.device, 'feedsLine')

/** Whether some line-voltage conductor is landed on a device. */
const onLine = (inst: Installation, p: Placed): boolean =>
  p.device.terminals.some(
    (t) => t.side === 'line' && t.role !== 'ground' && landedAt(inst, makeRef(p.ref, t.id)).length > 0,
  )

/**
 * Every cabinet that line voltage comes to has its equipment ground landed, and it leads to the ground of a circuit (NEC
 * 250.4(A)(5): an effective path back). A device without such a terminal in its description is asked nothing.
 */
export const grounded: JobRule<'grounded', 'noGround'> = {
  id: 'grounded',
  scope: 'job',
  severity: 'danger',
  codes: ['noGround'],
  applies: (inst) => inst.placed.some((p) => isFeed(p) && terminalsWith(p, 'ground').length > 0),
  find({ inst }) {
    const grounds = new Set(inst.placed.filter(isFeed).flatMap((p) => terminalsWith(p, 'ground')))
    return inst.placed
      .filter((p) => !isFeed(p) && onLine(inst, p))
      .flatMap((p) => {
        const [own] = terminalsWith(p, 'ground')
        if (own === undefined || [...wiredNet(inst, own)].some((t) => grounds.has(t))) return []
        return [{ at: own, code: 'noGround' as const }]
      })
  },
}
