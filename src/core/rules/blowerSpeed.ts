import { hasCompressor, targetsOf } from '../query'
import type { StateRule } from './rule'

/** Where the board has several speeds, the heat pump gets its own: a Y spliced past the board leaves fan speed. */
export const blowerSpeed: StateRule<'blowerSpeed', 'fanSpeedOnly' | 'lowSpeedInHigh'> = {
  id: 'blowerSpeed',
  scope: 'state',
  severity: 'wrong',
  codes: ['fanSpeedOnly', 'lowSpeedInHigh'],
  applies: (inst) =>
    hasCompressor(inst) &&
    targetsOf(inst).some((t) => t.making.what === 'blower' && t.making.speed === 'low'),
  each({ inst, facts }) {
    if (!facts.compressor || facts.speeds.size === 0) return null
    if (facts.speeds.has('heat') || facts.speeds.has('high')) return null
    const blower = targetsOf(inst).find((t) => t.making.what === 'blower' && t.making.speed === 'low')!
    if (!facts.speeds.has('low')) return { at: blower.ref, code: 'fanSpeedOnly' }
    const faster = targetsOf(inst).find((t) => t.making.what === 'blower' && t.making.speed === 'high')
    return facts.highStage && faster ? { at: faster.ref, code: 'lowSpeedInHigh' } : null
  },
}
