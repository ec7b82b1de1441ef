import { intentOf, settingsWith } from '../query'
import type { Breach, JobRule } from './rule'

/**
 * On LP a low-gas-pressure switch stands in the pressure switch circuit, so that an empty tank is never tried. Where the
 * conversion's instruction puts it is data of the furnace; where that is not known, another place is worth a look only.
 */
export const lowGas: JobRule<'lowGas', 'lpNoSwitch' | 'switchInFlame'> = {
  id: 'lowGas',
  scope: 'job',
  severity: 'danger',
  codes: ['lpNoSwitch', 'switchInFlame'],
  applies: (inst) => settingsWith(inst, 'gasSwitch').length > 0,
  find: ({ inst }) =>
    settingsWith(inst, 'gasSwitch').flatMap(
      ({ at, placed, value }): Breach<'lpNoSwitch' | 'switchInFlame'>[] => {
        if (intentOf(placed, 'fuel') !== 'lp') return []
        if (value === 'none') return [{ at, code: 'lpNoSwitch' }]
        const belongs = placed.device.plate.gasSwitchCircuit
        if (value !== 'flame' || belongs === 'flame') return []
        return [{ at, code: 'switchInFlame', ...(belongs === undefined ? { severity: 'warn' } : {}) }]
      },
    ),
}
