import { hasCompressor } from '../query'
import { isCooling } from '../equipment'
import { tolerances } from '../tolerances'
import type { StateRule } from './rule'

/** With everything normal, a cooling call in mild or warm weather runs the compressor. */
export const coolRuns: StateRule<'coolRuns', 'noCooling'> = {
  id: 'coolRuns',
  scope: 'state',
  severity: 'wrong',
  codes: ['noCooling'],
  readsOutdoor: true,
  applies: hasCompressor,
  each({ targets, situation, abnormalCount, facts }) {
    // A lockout may well hold cooling off in the cold, when nobody wants it.
    if (situation.outdoorF < tolerances.mildF) return null
    if (abnormalCount > 0 || !isCooling(situation.call) || !facts.settled || facts.compressor) return null
    const at = targets.find((t) => t.does.what === 'compressor')
    return at ? { at: at.ref, code: 'noCooling' } : null
  },
}
