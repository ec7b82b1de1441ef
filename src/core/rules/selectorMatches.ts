import { isLanded, settingsWith, terminalsWith } from '../query'
import type { JobRule } from './rule'

/** The 24 V / communicating selector agrees with what is landed: the wrong way round is dead, or damaged. */
export const selectorMatches: JobRule<'selectorMatches', 'busSetWired24' | '24SetWiredBus'> = {
  id: 'selectorMatches',
  scope: 'job',
  severity: 'danger',
  codes: ['busSetWired24', '24SetWiredBus'],
  applies: (inst) => settingsWith(inst, 'selector').length > 0,
  find: ({ inst }) =>
    settingsWith(inst, 'selector').flatMap(({ at, placed, value }) => {
      const bus = terminalsWith(placed, 'bus').every((t) => isLanded(inst, t))
      const call = terminalsWith(placed, 'Y1').some((t) => isLanded(inst, t))
      const off = value === 'bus' ? !bus || call : value === '24V' ? !call : false
      return off ? [{ at, code: value === 'bus' ? 'busSetWired24' : '24SetWiredBus' }] : []
    }),
}
