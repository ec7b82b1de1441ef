import { isLanded, settingsWith, terminalsWith } from './jobFacts'
import type { Law } from './law'

/** The 24 V / communicating selector agrees with what is landed: the wrong way round is dead, or damaged. */
export const selectorMatches: Law = {
  id: 'selectorMatches',
  severity: 'danger',
  applies: (inst) => settingsWith(inst, 'selector').length > 0,
  overall: ({ inst }) =>
    settingsWith(inst, 'selector').flatMap(({ at, placed, value }) => {
      const bus = terminalsWith(placed, 'bus').every((t) => isLanded(inst, t))
      const call = terminalsWith(placed, 'Y1').some((t) => isLanded(inst, t))
      const off = value === 'bus' ? !bus || call : value === '24V' ? !call : false
      return off
        ? [{ at, what: value === 'bus' ? 'busSetWired24' : '24SetWiredBus', call: 'off' as const }]
        : []
    }),
}
