import { isCooling, isHeatPumpHeating } from '../equipment'
import { targetsOf } from '../explain'
import type { Law } from './law'

/**
 * While the compressor runs, the reversing valve stands for what was asked: cooling on a cooling call, heating on a
 * heating call, and cooling while the board defrosts the coil.
 */
export const valveRight: Law = {
  id: 'valveRight',
  severity: 'wrong',
  applies: (inst) => targetsOf(inst).some((t) => t.making.what === 'reversingValve'),
  each({ situation, conditions, facts }) {
    if (!facts.compressor || !facts.valve) return null
    const { call } = situation
    const defrost = conditions.has('defrost')
    const wanted = defrost || isCooling(call) ? 'cooling' : isHeatPumpHeating(call) ? 'heating' : null
    if (wanted === null || facts.valve.position === wanted) return null
    return {
      at: facts.valve.at,
      what: defrost ? 'defrostHeats' : wanted === 'cooling' ? 'coolingHeats' : 'heatingCools',
    }
  },
}
