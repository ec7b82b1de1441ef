import { targetsOf } from '../explain'
import { hasCompressor } from './heatSources'
import type { Law } from './law'

/** Where the board has several speeds, the heat pump gets its own: a Y spliced past the board leaves fan speed. */
export const blowerSpeed: Law = {
  id: 'blowerSpeed',
  severity: 'wrong',
  applies: (inst) =>
    hasCompressor(inst) &&
    targetsOf(inst).some((t) => t.making.what === 'blower' && t.making.speed === 'low'),
  each({ inst, facts }) {
    if (!facts.compressor || facts.speeds.size === 0) return null
    if (facts.speeds.has('heat') || facts.speeds.has('high')) return null
    const blower = targetsOf(inst).find((t) => t.making.what === 'blower' && t.making.speed === 'low')!
    if (!facts.speeds.has('low')) return { at: blower.ref, what: 'fanSpeedOnly' }
    const faster = targetsOf(inst).find((t) => t.making.what === 'blower' && t.making.speed === 'high')
    return facts.highStage && faster ? { at: faster.ref, what: 'lowSpeedInHigh' } : null
  },
}
