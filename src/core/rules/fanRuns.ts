import { targetsOf } from '../query'
import type { StateRule } from './rule'

/** With everything normal, a call for the fan alone runs the blower. */
export const fanRuns: StateRule<'fanRuns', 'noFan'> = {
  id: 'fanRuns',
  scope: 'state',
  severity: 'wrong',
  codes: ['noFan'],
  applies: (inst) => targetsOf(inst).some((t) => t.does.what === 'blower'),
  each({ targets, situation, abnormalCount, facts }) {
    if (abnormalCount > 0 || situation.call !== 'fan' || !facts.settled || facts.blower) return null
    const at = targets.find((t) => t.does.what === 'blower')
    return at ? { at: at.ref, code: 'noFan' } : null
  },
}
