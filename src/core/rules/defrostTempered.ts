import { hasStrips, landedOutputs } from '../query'
import { canDefrost } from './boardsPowered'
import type { StateRule } from './rule'

/** Strips temper every defrost at any outdoor temperature, when the defrost output is landed. */
export const defrostTempered: StateRule<'defrostTempered', 'coldDefrost'> = {
  id: 'defrostTempered',
  scope: 'state',
  severity: 'warn',
  codes: ['coldDefrost'],
  applies: (inst) => hasStrips(inst) && landedOutputs(inst).length > 0,
  each({ inst, conditions, abnormalCount, facts }) {
    if (abnormalCount !== 1 || !conditions.has('defrost') || !facts.compressor || facts.stripsOn.length)
      return null
    if (!canDefrost(inst, facts.deadBoards)) return null
    return facts.stripsOff[0] ? { at: facts.stripsOff[0], code: 'coldDefrost' } : null
  },
}
