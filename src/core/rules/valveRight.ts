import { targetsOf } from '../query'
import { isCooling, isHeatPumpHeating } from '../equipment'
import { canDefrost } from './boardsPowered'
import type { StateRule } from './rule'

/**
 * While the compressor runs, the reversing valve stands for what was asked: cooling on a cooling call, heating on a
 * heating call, and cooling while the board defrosts the coil.
 */
export const valveRight: StateRule<'valveRight', 'defrostHeats' | 'coolingHeats' | 'heatingCools'> = {
  id: 'valveRight',
  scope: 'state',
  severity: 'wrong',
  codes: ['defrostHeats', 'coolingHeats', 'heatingCools'],
  applies: (inst) => targetsOf(inst).some((t) => t.does.what === 'reversingValve'),
  each({ inst, situation, conditions, facts }) {
    if (!facts.compressor || !facts.valve) return null
    const { call } = situation
    const defrost = conditions.has('defrost')
    if (defrost && !canDefrost(inst, facts.deadBoards)) return null
    const wanted = defrost || isCooling(call) ? 'cooling' : isHeatPumpHeating(call) ? 'heating' : null
    if (wanted === null || facts.valve.position === wanted) return null
    return {
      at: facts.valve.at,
      code: defrost ? 'defrostHeats' : wanted === 'cooling' ? 'coolingHeats' : 'heatingCools',
    }
  },
}
