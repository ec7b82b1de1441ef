import { isCooling, isHeatPumpHeating } from '../equipment'
import type { Breach, StateRule } from './rule'

type Code = 'humidifierUncalled' | 'heatUncalled' | 'stripsUncalled' | 'compressorUncalled' | 'blowerUncalled'

/** Nothing that heats, cools or blows runs without a call for it: no back-feed, no crossed conductor. */
export const quietUncalled: StateRule<'quietUncalled', Code> = {
  id: 'quietUncalled',
  scope: 'state',
  severity: 'wrong',
  codes: ['humidifierUncalled', 'heatUncalled', 'stripsUncalled', 'compressorUncalled', 'blowerUncalled'],
  applies: () => true,
  each({ targets, situation, abnormalCount, facts }) {
    if (abnormalCount > 0 || !facts.settled) return null
    const { call } = situation
    const found: Breach<Code>[] = []
    const heating = isHeatPumpHeating(call) || call === 'emergency'
    const heat = facts.burnersOn[0] ?? facts.stripsOn[0]
    if (heat && !heating) found.push({ at: heat, code: 'heatUncalled' })
    // Backup beside a heat pump that runs comes with a call for backup, and with no other.
    const [strip] = facts.stripsOn
    if (strip && facts.compressor && (call === 'heat1' || call === 'heat2'))
      found.push({ at: strip, code: 'stripsUncalled' })
    // The compressor in emergency heat is graver, and another rule's.
    if (facts.compressor && !isCooling(call) && !heating)
      found.push({ at: facts.compressor, code: 'compressorUncalled' })
    if (facts.blower && call === 'off' && !found.length) {
      const blows = targets.filter((t) => t.does.what === 'blower')
      const at = blows.find((t) => facts.running.includes(t.ref))
      if (at) found.push({ at: at.ref, code: 'blowerUncalled' })
    }
    const wet = targets.find((t) => t.does.what === 'humidifier' && facts.running.includes(t.ref))
    if (wet && call === 'off') found.push({ at: wet.ref, code: 'humidifierUncalled' })
    return found
  },
}
