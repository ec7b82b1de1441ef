import { targetsOf } from '../explain'
import type { Law } from './law'

/** No strip heats without the blower, in any state of timers, limits and supplies. */
export const stripsNeedBlower: Law = {
  id: 'stripsNeedBlower',
  severity: 'danger',
  applies: (inst) => targetsOf(inst).some((t) => t.making.what === 'strip'),
  each: ({ facts }) =>
    facts.stripsOn.length && !facts.blower ? { at: facts.stripsOn[0]!, what: 'stripsNoBlower' } : null,
}
