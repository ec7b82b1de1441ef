import { targetsOf } from '../explain'
import type { Law } from './law'

/**
 * Emergency heat brings on all backup at any outdoor temperature, and never the compressor. The first half is asked
 * with every mode normal (a tripped limit or an open breaker may well stop a row); the second in every state.
 */
export const emergencyHeat: Law = {
  id: 'emergencyHeat',
  severity: 'danger',
  applies: (inst) => targetsOf(inst).some((t) => t.making.what === 'strip'),
  each({ situation, away, facts }) {
    if (situation.call !== 'emergency' || !facts.settled) return null
    if (facts.compressor) return { at: facts.compressor, what: 'compressorInEmergency' }
    if (away > 0 || facts.stripsOff.length === 0) return null
    return { at: facts.stripsOff[0]!, what: facts.stripsOn.length ? 'someBackupMissing' : 'noBackup' }
  },
}
