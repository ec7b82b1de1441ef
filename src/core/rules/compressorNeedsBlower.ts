import { hasCompressor, targetsOf } from '../query'
import type { StateRule } from './rule'

/** The compressor never runs without the blower, in any supply state. */
export const compressorNeedsBlower: StateRule<'compressorNeedsBlower', 'compressorNoBlower'> = {
  id: 'compressorNeedsBlower',
  scope: 'state',
  severity: 'wrong',
  codes: ['compressorNoBlower'],
  applies: (inst) => hasCompressor(inst) && targetsOf(inst).some((t) => t.making.what === 'blower'),
  each: ({ facts }) =>
    facts.compressor && !facts.blower ? { at: facts.compressor, code: 'compressorNoBlower' } : null,
}
