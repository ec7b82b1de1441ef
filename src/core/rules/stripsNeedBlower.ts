import { nth } from '../assert'
import { targetsOf } from '../query'
import type { StateRule } from './rule'

/** No strip heats without the blower, in any state of timers, limits and supplies. */
export const stripsNeedBlower: StateRule<'stripsNeedBlower', 'stripsNoBlower'> = {
  id: 'stripsNeedBlower',
  scope: 'state',
  severity: 'danger',
  codes: ['stripsNoBlower'],
  applies: (inst) => targetsOf(inst).some((t) => t.does.what === 'strip'),
  each: ({ facts, conditions }) =>
    facts.stripsOn.length && !facts.blower && !conditions.has('blowerDelay')
      ? { at: nth(facts.stripsOn, 0), code: 'stripsNoBlower' }
      : null,
}
