import { normalState } from '../equipment'
import { makeRef } from '../installation'
import { hasCompressor, having } from '../query'
import type { StateRule } from './rule'

/** While a line-voltage monitor holds the outdoor unit off, the compressor does not run. */
export const monitorStops: StateRule<'monitorStops', 'monitorDoesNotStop'> = {
  id: 'monitorStops',
  scope: 'state',
  severity: 'wrong',
  codes: ['monitorDoesNotStop'],
  applies: (inst) => having(inst, 'watchesLine').length > 0 && hasCompressor(inst),
  each({ inst, situation, facts }) {
    if (!facts.compressor) return null
    const holds = having(inst, 'watchesLine').some((p) =>
      p.device.modes.some((m) => {
        const state = situation.modes[makeRef(p.ref, m.id)]
        return state !== undefined && state !== normalState(m)
      }),
    )
    return holds ? { at: facts.compressor, code: 'monitorDoesNotStop' } : null
  },
}
