import { hasBurner, hasStrips, ofKind } from '../query'
import type { StateRule } from './rule'

/**
 * Emergency heat brings on all backup at any outdoor temperature, and never the compressor. The first half is asked
 * with every mode normal (a tripped limit or an open breaker may well stop a row); the second in every state.
 * Of a burner its first stage is enough, and of strips the first bank where the thermostat brings them on in steps: the
 * others must then be within reach of an ordinary call, which is another rule's.
 */
export const emergencyHeat: StateRule<
  'emergencyHeat',
  'compressorInEmergency' | 'someBackupMissing' | 'noBackup'
> = {
  id: 'emergencyHeat',
  scope: 'state',
  severity: 'danger',
  codes: ['compressorInEmergency', 'someBackupMissing', 'noBackup'],
  applies: (inst) => hasStrips(inst) || hasBurner(inst),
  each({ inst, situation, abnormalCount, facts }) {
    if (situation.call !== 'emergency' || !facts.settled) return null
    if (facts.compressor) return { at: facts.compressor, code: 'compressorInEmergency' }
    if (abnormalCount > 0) return null
    const some = facts.stripsOn.length + facts.burnersOn.length > 0
    const missing = facts.stripsOff[0] ?? (facts.burnersOn.length ? undefined : facts.burnersOff[0])
    const steps = ofKind(inst, 'thermostat').some((p) => p.device.plate.emergencySteps)
    if (some && steps) return null
    return missing ? { at: missing, code: some ? 'someBackupMissing' : 'noBackup' } : null
  },
}
