import { isCooling, isHeatPumpHeating } from '../equipment'
import type { Law } from './law'

/** Nothing that heats, cools or burns runs without a call for it: no back-feed, no crossed conductor. */
export const quietUncalled: Law = {
  id: 'quietUncalled',
  severity: 'wrong',
  applies: () => true,
  each({ situation, abnormalCount, facts }) {
    if (abnormalCount > 0) return null
    const { call } = situation
    const heating = isHeatPumpHeating(call) || call === 'emergency'
    const heat = facts.burnersOn[0] ?? facts.stripsOn[0]
    if (heat && !heating) return { at: heat, what: 'heatUncalled' }
    if (facts.compressor && !isCooling(call) && !isHeatPumpHeating(call))
      return call === 'emergency' ? null : { at: facts.compressor, what: 'compressorUncalled' }
    return null
  },
}
