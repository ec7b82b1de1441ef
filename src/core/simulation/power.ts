import { hasTrait } from '../equipment'
import type { JobSeen } from '../installation'
import { modesOf } from '../situation'
import type { OutsideEvent } from '../time'

/** Every breaker of a job, at once. */
export const feedEvents = (seen: JobSeen, at: number, to: 'on' | 'off'): OutsideEvent[] =>
  modesOf(seen.inst).flatMap(({ ref, mode, placed }) => {
    if (!hasTrait(placed.device, 'feedsLine')) return []
    const state = to === 'off' ? mode.states.find((s) => s.condition === 'off') : mode.states[0]
    return state ? [{ at, mode: ref, state: state.id }] : []
  })
