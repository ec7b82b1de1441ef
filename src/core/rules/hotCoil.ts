import { aheadTargets, hasCompressor } from '../query'
import type { StateRule } from './rule'

/** The compressor never starts while the air entering its coil is still hot from the furnace. */
export const hotCoil: StateRule<'hotCoil', 'hotRestart'> = {
  id: 'hotCoil',
  scope: 'state',
  severity: 'danger',
  codes: ['hotRestart'],
  applies: (inst) => aheadTargets(inst).length > 0 && hasCompressor(inst),
  each: ({ conditions, facts }) =>
    facts.compressor && conditions.has('hotCoil') ? { at: facts.compressor, code: 'hotRestart' } : null,
}
