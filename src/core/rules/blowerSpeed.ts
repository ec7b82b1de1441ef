import type { Installation } from '../installation'
import { hasCompressor, lowSpeedIsEnough, targetsOf } from '../query'
import type { StateRule } from './rule'

const hasSecondStage = (inst: Installation): boolean =>
  targetsOf(inst).some((t) => t.does.what === 'compressor' && t.does.stage === 2)

/**
 * A board with several speeds runs the heat pump at its own speed. A Y spliced past the board leaves fan speed. A
 * one-stage unit needs the full speed, unless the air handler's table allows the low one.
 */
export const blowerSpeed: StateRule<'blowerSpeed', 'fanSpeedOnly' | 'lowSpeedInHigh' | 'oneStageOnLow'> = {
  id: 'blowerSpeed',
  scope: 'state',
  severity: 'wrong',
  codes: ['fanSpeedOnly', 'lowSpeedInHigh', 'oneStageOnLow'],
  applies: (inst) =>
    hasCompressor(inst) && targetsOf(inst).some((t) => t.does.what === 'blower' && t.does.speed === 'low'),
  each({ inst, facts, targets }) {
    if (!facts.compressor || facts.speeds.size === 0) return null
    if (facts.speeds.has('heat') || facts.speeds.has('high')) return null
    const blower = targets.find((t) => t.does.what === 'blower' && t.does.speed === 'low')
    if (!blower) return null
    if (!facts.speeds.has('low')) return { at: blower.ref, code: 'fanSpeedOnly' }
    const faster = targets.find((t) => t.does.what === 'blower' && t.does.speed === 'high')
    if (!faster) return null
    if (facts.highStage) return { at: faster.ref, code: 'lowSpeedInHigh' }
    return hasSecondStage(inst) || lowSpeedIsEnough(inst) ? null : { at: faster.ref, code: 'oneStageOnLow' }
  },
}
