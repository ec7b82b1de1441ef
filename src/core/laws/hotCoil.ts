import { aheadTargets, hasCompressor } from './heatSources'
import type { Law } from './law'

/** The compressor never starts while the air entering its coil is still hot from the furnace. */
export const hotCoil: Law = {
  id: 'hotCoil',
  severity: 'danger',
  applies: (inst) => aheadTargets(inst).length > 0 && hasCompressor(inst),
  each: ({ conditions, facts }) =>
    facts.compressor && conditions.has('hotCoil') ? { at: facts.compressor, what: 'hotRestart' } : null,
}
