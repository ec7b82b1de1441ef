import { hasBurner, hasStrips, having } from '../query'
import type { Breach, StateRule } from './rule'

type Code = 'compressorInEmergency' | 'someBackupMissing' | 'noBackup'

/**
 * Emergency heat brings on all backup at any outdoor temperature, and never the compressor. The first half is asked
 * with every mode normal (a tripped limit or an open breaker may well stop a row); the second in every state.
 * For a burner its first stage is enough. For strips the first bank is enough where the thermostat stages them; another
 * rule checks that an ordinary call reaches the others.
 */
export const emergencyHeat: StateRule<'emergencyHeat', Code> = {
  id: 'emergencyHeat',
  scope: 'state',
  severity: 'danger',
  codes: ['compressorInEmergency', 'someBackupMissing', 'noBackup'],
  applies: (inst) => hasStrips(inst) || hasBurner(inst),
  each({ inst, situation, abnormalCount, facts }) {
    if (situation.call !== 'emergency' || !facts.settled) return null
    const found: Breach<Code>[] = facts.compressor
      ? [{ at: facts.compressor, code: 'compressorInEmergency' }]
      : []
    const some = facts.stripsOn.length + facts.burnersOn.length > 0
    const missing = facts.stripsOff[0] ?? (facts.burnersOn.length ? undefined : facts.burnersOff[0])
    const steps = having(inst, 'onWall').some((p) => p.device.plate.emergencySteps)
    if (missing && abnormalCount === 0 && !(some && steps))
      found.push({ at: missing, code: some ? 'someBackupMissing' : 'noBackup' })
    return found
  },
}
