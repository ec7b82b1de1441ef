import { hasCompressor, having } from '../query'
import { isCooling } from '../equipment'
import type { StateRule } from './rule'

/** Water in the condensate pan stops the compressor in cooling. */
export const floatStops: StateRule<'floatStops', 'floatDoesNotStop'> = {
  id: 'floatStops',
  scope: 'state',
  severity: 'wrong',
  codes: ['floatDoesNotStop'],
  applies: (inst) => having(inst, 'feelsWater').length > 0 && hasCompressor(inst),
  each: ({ situation, conditions, facts }) =>
    facts.compressor && isCooling(situation.call) && conditions.has('water')
      ? { at: facts.compressor, code: 'floatDoesNotStop' }
      : null,
}
