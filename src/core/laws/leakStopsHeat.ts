import { targetsOf } from '../explain'
import { ofKind } from './jobFacts'
import type { Law } from './law'

/** A refrigerant leak alarm drops all backup heat and runs the blower. */
export const leakStopsHeat: Law = {
  id: 'leakStopsHeat',
  severity: 'danger',
  applies: (inst) => ofKind(inst, 'leakSensor').length > 0,
  each({ inst, conditions, abnormalCount, facts }) {
    if (!conditions.has('leak')) return null
    const heat = facts.burnersOn[0] ?? facts.stripsOn[0]
    if (heat) return { at: heat, what: 'heatInLeak' }
    if (abnormalCount > 1 || facts.blower) return null
    const blower = targetsOf(inst).find((t) => t.making.what === 'blower')
    return blower ? { at: blower.ref, what: 'noBlowerInLeak' } : null
  },
}
