import { normalState } from '../equipment'
import { makeRef } from '../installation'
import { hasCompressor, ofKind } from '../query'
import type { StateRule } from './rule'

/** While a line-voltage monitor holds the outdoor unit off, the compressor does not run. */
export const monitorStops: StateRule<'monitorStops', 'monitorDoesNotStop'> = {
  id: 'monitorStops',
  scope: 'state',
  severity: 'wrong',
  codes: ['monitorDoesNotStop'],
  applies: (inst) => ofKind(inst, 'lineMonitor').length > 0 && hasCompressor(inst),
  each({ inst, situation, facts }) {
    if (!facts.compressor) return null
    const holds = ofKind(inst, 'lineMonitor').some((p) =>
      p.device.modes.some((m) => {
        const state = situation.modes[makeRef(p.ref, m.id)]
        return state !== undefined && state !== normalState(m)
      }),
    )
    return holds ? { at: facts.compressor, code: 'monitorDoesNotStop' } : null
  },
}
