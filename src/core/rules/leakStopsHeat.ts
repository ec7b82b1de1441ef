import { having } from '../query'
import type { Breach, StateRule } from './rule'

type Code = 'heatInLeak' | 'compressorInLeak' | 'noBlowerInLeak'

/**
 * A refrigerant leak alarm drops all backup heat, stops the compressor (unless the maker's board runs it to draw the leak
 * down) and runs the blower, whatever is called, off too.
 */
export const leakStopsHeat: StateRule<'leakStopsHeat', Code> = {
  id: 'leakStopsHeat',
  scope: 'state',
  severity: 'danger',
  codes: ['heatInLeak', 'compressorInLeak', 'noBlowerInLeak'],
  applies: (inst) => having(inst, 'feelsLeak').length > 0,
  each({ inst, conditions, abnormalCount, facts, targets }) {
    if (!conditions.has('leak')) return null
    const found: Breach<Code>[] = []
    const heat = facts.burnersOn[0] ?? facts.stripsOn[0]
    if (heat) found.push({ at: heat, code: 'heatInLeak' })
    const drawsDown = inst.placed.some((p) => p.device.plate.drawsDownLeak)
    if (facts.compressor && !drawsDown) found.push({ at: facts.compressor, code: 'compressorInLeak' })
    const blower = targets.find((t) => t.does.what === 'blower')
    // An open breaker stops the blower too: what else is wrong then is no matter of the alarm's.
    if (abnormalCount <= 1 && !facts.blower && blower) found.push({ at: blower.ref, code: 'noBlowerInLeak' })
    return found.length ? found : null
  },
}
