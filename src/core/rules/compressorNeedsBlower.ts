import { hasCompressor, targetsOf } from '../query'
import { settingsSetTo } from './breach'
import type { StateRule } from './rule'

/** The compressor never runs without the blower, in any supply state. */
export const compressorNeedsBlower: StateRule<'compressorNeedsBlower', 'compressorNoBlower'> = {
  id: 'compressorNeedsBlower',
  scope: 'state',
  severity: 'wrong',
  codes: ['compressorNoBlower'],
  applies: (inst) => hasCompressor(inst) && targetsOf(inst).some((t) => t.does.what === 'blower'),
  each({ inst, facts, conditions }) {
    if (!facts.compressor || facts.blower) return null
    // A maker may let the fan rest in a defrost without strips: then a setting of its own says so.
    if (
      conditions.has('defrost') &&
      !facts.stripsOn.length &&
      settingsSetTo(inst, 'fanInDefrost', 'off').length
    )
      return null
    return { at: facts.compressor, code: 'compressorNoBlower' }
  },
}
