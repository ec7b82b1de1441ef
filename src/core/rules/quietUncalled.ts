import { isCooling, isHeatPumpHeating } from '../equipment'
import type { StateRule } from './rule'

/** Nothing that heats, cools or burns runs without a call for it: no back-feed, no crossed conductor. */
export const quietUncalled: StateRule<'quietUncalled', 'heatUncalled' | 'compressorUncalled'> = {
  id: 'quietUncalled',
  scope: 'state',
  severity: 'wrong',
  codes: ['heatUncalled', 'compressorUncalled'],
  applies: () => true,
  each({ situation, abnormalCount, facts }) {
    if (abnormalCount > 0) return null
    const { call } = situation
    const heating = isHeatPumpHeating(call) || call === 'emergency'
    const heat = facts.burnersOn[0] ?? facts.stripsOn[0]
    if (heat && !heating) return { at: heat, code: 'heatUncalled' }
    if (facts.compressor && !isCooling(call) && !isHeatPumpHeating(call))
      return call === 'emergency' ? null : { at: facts.compressor, code: 'compressorUncalled' }
    return null
  },
}
