import { isCooling } from '../equipment'
import { targetsOf } from '../explain'
import { tolerances } from '../tolerances'
import { hasCompressor } from './heatSources'
import type { Law } from './law'

/** With everything normal, a cooling call in mild or warm weather runs the compressor. */
export const coolRuns: Law = {
  id: 'coolRuns',
  severity: 'wrong',
  readsOutdoor: true,
  applies: hasCompressor,
  each({ inst, situation, abnormalCount, facts }) {
    // A lockout may well hold cooling off in the cold, when nobody wants it.
    if (situation.outdoorF < tolerances.mildF) return null
    if (abnormalCount > 0 || !isCooling(situation.call) || !facts.settled || facts.compressor) return null
    const at = targetsOf(inst).find((t) => t.making.what === 'compressor')
    return at ? { at: at.ref, what: 'noCooling' } : null
  },
}
