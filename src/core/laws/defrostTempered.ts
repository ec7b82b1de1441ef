import { landedOutputs } from './defrostOutputs'
import { hasStrips } from './heatSources'
import type { Law } from './law'

/** Where the defrost output is landed, strips temper every defrost, at any outdoor temperature. */
export const defrostTempered: Law = {
  id: 'defrostTempered',
  severity: 'warn',
  applies: (inst) => hasStrips(inst) && landedOutputs(inst).length > 0,
  each({ conditions, abnormalCount, facts }) {
    if (abnormalCount !== 1 || !conditions.has('defrost') || !facts.compressor || facts.stripsOn.length)
      return null
    return facts.stripsOff[0] ? { at: facts.stripsOff[0], what: 'coldDefrost' } : null
  },
}
