import { targetsOf } from '../explain'
import { hasCompressor } from './heatSources'
import type { Law } from './law'

/** The compressor never runs without the blower, in any supply state. */
export const compressorNeedsBlower: Law = {
  id: 'compressorNeedsBlower',
  severity: 'wrong',
  applies: (inst) => hasCompressor(inst) && targetsOf(inst).some((t) => t.making.what === 'blower'),
  each: ({ facts }) =>
    facts.compressor && !facts.blower ? { at: facts.compressor, what: 'compressorNoBlower' } : null,
}
