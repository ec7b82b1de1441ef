import { targetsOf } from '../explain'
import { aheadTargets } from './heatSources'
import type { Law } from './law'

/** The compressor never runs while any heat is made ahead of the indoor coil: head pressure climbs at once. */
export const heatAheadOfCoil: Law = {
  id: 'heatAheadOfCoil',
  severity: 'danger',
  applies: (inst) =>
    aheadTargets(inst).length > 0 && targetsOf(inst).some((t) => t.making.what === 'compressor'),
  each: ({ facts }) =>
    facts.compressor && facts.heatAhead.length ? { at: facts.heatAhead[0]!, what: 'heatAheadOfCoil' } : null,
}
