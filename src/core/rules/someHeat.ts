import { hasBurner, hasCompressor, hasStrips } from '../query'
import { isHeatPumpHeating, wantsBackup } from '../equipment'
import type { StateRule } from './rule'

/** With everything normal, a heating demand brings some heat at every outdoor temperature. */
export const someHeat: StateRule<'someHeat', 'noHeat'> = {
  id: 'someHeat',
  scope: 'state',
  severity: 'danger',
  codes: ['noHeat'],
  applies: (inst) => hasCompressor(inst) || hasStrips(inst) || hasBurner(inst),
  each({ targets, situation, abnormalCount, facts }) {
    const { call } = situation
    if (abnormalCount > 0 || !facts.settled || !isHeatPumpHeating(call)) return null
    // Whether the heat pump's valve stands for heating is another rule's question.
    if (facts.compressor || facts.stripsOn.length || facts.burnersOn.length) return null
    // What a person asks about: on a call for the heat pump the compressor, on one for backup the first of it.
    const compressor = targets.find((t) => t.making.what === 'compressor')?.ref
    const backup = facts.stripsOff[0] ?? facts.burnersOff[0]
    const at = wantsBackup(call) ? (backup ?? compressor) : (compressor ?? backup)
    return at ? { at, code: 'noHeat' } : null
  },
}
