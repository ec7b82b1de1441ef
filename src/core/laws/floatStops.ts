import { isCooling } from '../equipment'
import { hasCompressor } from './heatSources'
import { ofKind } from './jobFacts'
import type { Law } from './law'

/** Water in the condensate pan stops the compressor in cooling. */
export const floatStops: Law = {
  id: 'floatStops',
  severity: 'wrong',
  applies: (inst) => ofKind(inst, 'floatSwitch').length > 0 && hasCompressor(inst),
  each: ({ situation, conditions, facts }) =>
    facts.compressor && isCooling(situation.call) && conditions.has('water')
      ? { at: facts.compressor, what: 'floatDoesNotStop' }
      : null,
}
