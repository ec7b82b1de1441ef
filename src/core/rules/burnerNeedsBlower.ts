import { targetsOf } from '../query'
import type { StateRule } from './rule'

/**
 * No burner burns without the blower, beyond the board's own blower delay: it cycles the limit and stresses the
 * exchanger. What time does is a mode: every state here is one in which the delay is over.
 */
export const burnerNeedsBlower: StateRule<'burnerNeedsBlower', 'burnerNoBlower'> = {
  id: 'burnerNeedsBlower',
  scope: 'state',
  severity: 'danger',
  codes: ['burnerNoBlower'],
  applies: (inst) => targetsOf(inst).some((t) => t.does.what === 'burner'),
  each({ facts, conditions }) {
    const [burner] = facts.burnersOn
    if (!burner || facts.blower || conditions.has('blowerDelay')) return null
    return { at: burner, code: 'burnerNoBlower' }
  },
}
