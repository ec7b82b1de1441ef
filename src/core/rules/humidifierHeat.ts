import { hasBurner, having } from '../query'
import type { StateRule } from './rule'

/** A wet humidifier pan stops the humidifier, and not the heat. */
export const humidifierHeat: StateRule<'humidifierHeat', 'wetStopsHeat'> = {
  id: 'humidifierHeat',
  scope: 'state',
  severity: 'wrong',
  codes: ['wetStopsHeat'],
  applies: (inst) => having(inst, 'humidifies').length > 0,
  each({ inst, situation, abnormalCount, conditions, facts }) {
    const wet = abnormalCount === 1 && conditions.has('wetPan') && situation.call.startsWith('heat')
    if (!wet || facts.compressor || facts.stripsOn.length || facts.burnersOn.length) return null
    const at = facts.burnersOff[0] ?? facts.stripsOff[0] ?? facts.valve?.at
    return at && (hasBurner(inst) || facts.valve) ? { at, code: 'wetStopsHeat' } : null
  },
}
