import { aheadTargets, targetsOf } from '../query'
import type { StateRule } from './rule'

/** The compressor never runs while any heat is made ahead of the indoor coil: head pressure climbs at once. */
export const heatAheadOfCoil: StateRule<'heatAheadOfCoil', 'heatAheadOfCoil'> = {
  id: 'heatAheadOfCoil',
  scope: 'state',
  severity: 'danger',
  codes: ['heatAheadOfCoil'],
  applies: (inst) =>
    aheadTargets(inst).length > 0 && targetsOf(inst).some((t) => t.making.what === 'compressor'),
  each: ({ facts }) =>
    facts.compressor && facts.heatAhead.length ? { at: facts.heatAhead[0]!, code: 'heatAheadOfCoil' } : null,
}
