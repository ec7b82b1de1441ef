import { intentOf, settingsWith } from '../query'
import type { Breach, JobRule } from './rule'

/**
 * On LP a low-gas-pressure switch stands in the pressure switch circuit, so that an empty tank is never tried. Where the
 * conversion's instruction puts it is data of the furnace; where that is not known, or the furnace burns natural gas, another
 * place is worth a look only.
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
        const isLp = intentOf(placed, 'fuel') === 'lp'
        if (value === 'none') return isLp ? [{ at, code: 'lpNoSwitch' }] : []
        const belongs = placed.device.plate.gasSwitchCircuit
        if (value !== 'flame' || belongs === 'flame') return []
        // No conversion's instruction speaks of a furnace on natural gas.
        const isKnown = isLp && belongs !== undefined
        return [{ at, code: 'switchInFlame', ...(isKnown ? {} : { severity: 'warn' }) }]
      },
    ),
}
