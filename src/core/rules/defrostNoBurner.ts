import { nth } from '../assert'
import { hasBurner, landedOutputs, mayTemper, having } from '../query'
import { splitRef, makeRef, placedByRef, type Installation, type Ref } from '../installation'
import type { StateRule } from './rule'

/**
 * A defrost never lights a furnace, unless its maker's instruction lets it temper one: it would drop the compressor and
 * abort the defrost.
 */
export const defrostNoBurner: StateRule<'defrostNoBurner', 'defrostBurns'> = {
  id: 'defrostNoBurner',
  scope: 'state',
  severity: 'danger',
  codes: ['defrostBurns'],
  applies: (inst) => hasBurner(inst) && having(inst, 'compresses').length > 0,
  each(state) {
    const { inst, conditions, abnormalCount, facts } = state
    if (abnormalCount !== 1 || !conditions.has('defrost') || !facts.burnersOn.length) return null
    if (mayTemper(inst, nth(facts.burnersOn, 0))) return null
    const fired = landedOutputs(inst).some((t) => contactsTo(inst, t).some((c) => state.closed(c)))
    return fired ? { at: nth(facts.burnersOn, 0), code: 'defrostBurns' } : null
  },
}

/** The contacts of a device that end on one of its terminals. */
function contactsTo(inst: Installation, terminal: Ref): Ref[] {
  const { placed: p, id } = splitRef(terminal)
  const parts = placedByRef(inst, p)?.device.parts ?? []
  return parts.filter((x) => x.kind === 'contact' && x.b === id).map((x) => makeRef(p, x.id))
}
