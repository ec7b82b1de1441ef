import { isCooling } from '../equipment'
import { targetsOf } from '../explain'
import { hasCompressor } from './heatSources'
import type { Law } from './law'

/** With everything normal, a cooling call runs the compressor. */
export const coolRuns: Law = {
  id: 'coolRuns',
  severity: 'wrong',
  applies: hasCompressor,
  each({ inst, situation, away, facts }) {
    if (away > 0 || !isCooling(situation.call) || !facts.settled || facts.compressor) return null
    const at = targetsOf(inst).find((t) => t.making.what === 'compressor')
    return at ? { at: at.ref, what: 'noCooling' } : null
  },
}
