import { hasBurner } from './heatSources'
import { ofKind } from './jobFacts'
import type { Law } from './law'

/** A wet humidifier pan stops the humidifier, and not the heat. */
export const humidifierHeat: Law = {
  id: 'humidifierHeat',
  severity: 'wrong',
  applies: (inst) => ofKind(inst, 'humidifier').length > 0,
  each({ inst, situation, abnormalCount, conditions, facts }) {
    const wet = abnormalCount === 1 && conditions.has('wetPan') && situation.call.startsWith('heat')
    if (!wet || facts.compressor || facts.stripsOn.length || facts.burnersOn.length) return null
    const at = facts.burnersOff[0] ?? facts.stripsOff[0] ?? facts.valve?.at
    return at && (hasBurner(inst) || facts.valve) ? { at, what: 'wetStopsHeat' } : null
  },
}
