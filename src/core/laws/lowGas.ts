import { intentOf, settingsWith } from './jobFacts'
import type { Law } from './law'

/** On LP a low-gas-pressure switch stands in the pressure switch circuit, so that an empty tank is never tried. */
export const lowGas: Law = {
  id: 'lowGas',
  severity: 'danger',
  applies: (inst) => settingsWith(inst, 'gasSwitch').length > 0,
  overall: ({ inst }) =>
    settingsWith(inst, 'gasSwitch').flatMap(({ at, placed, value }) => {
      if (intentOf(placed, 'fuel') !== 'lp') return []
      if (value === 'none') return [{ at, what: 'lpNoSwitch', call: 'off' as const }]
      return value === 'flame' ? [{ at, what: 'switchInFlame', call: 'off' as const }] : []
    }),
}
