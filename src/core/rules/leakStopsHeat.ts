import { ofKind, targetsOf } from '../query'
import type { StateRule } from './rule'

/** A refrigerant leak alarm drops all backup heat and runs the blower. */
export const leakStopsHeat: StateRule<'leakStopsHeat', 'heatInLeak' | 'noBlowerInLeak'> = {
  id: 'leakStopsHeat',
  scope: 'state',
  severity: 'danger',
  codes: ['heatInLeak', 'noBlowerInLeak'],
  applies: (inst) => ofKind(inst, 'leakSensor').length > 0,
  each({ inst, conditions, abnormalCount, facts }) {
    if (!conditions.has('leak')) return null
    const heat = facts.burnersOn[0] ?? facts.stripsOn[0]
    if (heat) return { at: heat, code: 'heatInLeak' }
    if (abnormalCount > 1 || facts.blower) return null
    const blower = targetsOf(inst).find((t) => t.making.what === 'blower')
    return blower ? { at: blower.ref, code: 'noBlowerInLeak' } : null
  },
}
