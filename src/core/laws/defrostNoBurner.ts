import { hasBurner } from './heatSources'
import { ofKind } from './jobFacts'
import type { Law } from './law'

/** A defrost never lights a furnace: it would drop the compressor and abort the defrost. */
export const defrostNoBurner: Law = {
  id: 'defrostNoBurner',
  severity: 'danger',
  applies: (inst) => hasBurner(inst) && ofKind(inst, 'outdoorUnit', 'packagedUnit').length > 0,
  each({ situation, means, away, facts }) {
    if (away !== 1 || !means.has('defrost') || !facts.burnersOn.length) return null
    // A call for backup, or changeover, may burn for its own reasons: judged where the heat pump alone was asked.
    return situation.call === 'heat1' && facts.compressor
      ? { at: facts.burnersOn[0]!, what: 'defrostBurns' }
      : null
  },
}
