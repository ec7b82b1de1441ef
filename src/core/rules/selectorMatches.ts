import { isLanded, settingsWith, terminalsWith } from '../query'
import type { JobRule } from './rule'

type Code = 'busSetWired24' | '24SetWiredBus' | 'busOpen'

/**
 * The 24 V / communicating selector agrees with what is landed: the wrong way round is dead, or damaged. A call that is not
 * landed at all is another matter, and is found where it is missed.
 */
export const selectorMatches: JobRule<'selectorMatches', Code> = {
  id: 'selectorMatches',
  scope: 'job',
  severity: 'danger',
  codes: ['busSetWired24', '24SetWiredBus', 'busOpen'],
  applies: (inst) => settingsWith(inst, 'selector').length > 0,
  find: ({ inst }) =>
    settingsWith(inst, 'selector').flatMap(({ at, placed, value }) => {
      const bus = terminalsWith(placed, 'bus').map((t) => isLanded(inst, t))
      const call = terminalsWith(placed, 'Y1').some((t) => isLanded(inst, t))
      const found = (code: Code) => [{ at, code }]
      if (value === 'bus') {
        if (call) return found('busSetWired24')
        return bus.includes(false) ? found('busOpen') : []
      }
      return value === '24V' && !call && bus.includes(true) ? found('24SetWiredBus') : []
    }),
}
