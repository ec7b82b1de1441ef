import { aheadTargets, mayTemper, targetsOf } from '../query'
import type { StateRule } from './rule'

/**
 * The compressor never heats while any heat is made ahead of the indoor coil: head pressure climbs at once. In a defrost
 * the indoor coil is the cold one: there a furnace may temper the air where its maker's instruction says so.
 */
export const heatAheadOfCoil: StateRule<'heatAheadOfCoil', 'heatAheadOfCoil'> = {
  id: 'heatAheadOfCoil',
  scope: 'state',
  severity: 'danger',
  codes: ['heatAheadOfCoil'],
  applies: (inst) =>
    aheadTargets(inst).length > 0 && targetsOf(inst).some((t) => t.does.what === 'compressor'),
  each({ inst, facts, conditions }) {
    const at = facts.heatAhead[0]
    if (!facts.compressor || !at) return null
    const tempers = conditions.has('defrost') && facts.valve?.position === 'cooling' && mayTemper(inst, at)
    return tempers ? null : { at, code: 'heatAheadOfCoil' }
  },
}
