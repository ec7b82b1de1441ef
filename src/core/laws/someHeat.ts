import { isHeatPumpHeating } from '../equipment'
import { hasBurner, hasCompressor, hasStrips } from './heatSources'
import type { Law } from './law'

/** With everything normal, a heating demand brings some heat at every outdoor temperature. */
export const someHeat: Law = {
  id: 'someHeat',
  severity: 'danger',
  applies: (inst) => hasCompressor(inst) || hasStrips(inst) || hasBurner(inst),
  each({ inst, situation, away, facts }) {
    const { call } = situation
    if (away > 0 || !facts.settled || (!isHeatPumpHeating(call) && call !== 'emergency')) return null
    const pump = facts.compressor && facts.valve?.position !== 'cooling'
    if (pump || facts.stripsOn.length || facts.burnersOn.length) return null
    if (call === 'emergency' && !hasStrips(inst) && !hasBurner(inst)) return null
    const at = facts.stripsOff[0] ?? facts.burnersOff[0] ?? facts.valve?.at
    return at ? { at, what: 'noHeat' } : null
  },
}
