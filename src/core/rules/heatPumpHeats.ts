import type { Circuit } from '../circuit'
import { isCooling, isHeatPumpHeating, type Call } from '../equipment'
import { hasBurner, hasCompressor, hasStrips } from '../query'
import { callsOf, regionsOf } from '../situation'
import { factsOf } from './facts'
import type { StateRule } from './rule'

/**
 * Whether every heating call is answered at every outdoor temperature, and never by the compressor. A call that nothing
 * answers is another rule's finding, and so is a compressor that nothing runs at all.
 */
function heatsWithoutIt(circuit: Circuit): boolean {
  const { inst } = circuit
  const at = (call: Call) =>
    regionsOf(inst).map((outdoorF) => factsOf(circuit, circuit.settle({ call, outdoorF, modes: {} })))
  const calls = callsOf(inst)
  return (
    calls.filter(isCooling).some((call) => at(call).some((f) => f.compressor)) &&
    calls
      .filter(isHeatPumpHeating)
      .flatMap(at)
      .every((f) => !f.compressor && f.stripsOn.length + f.burnersOn.length > 0)
  )
}

/**
 * Some heating call runs the heat pump. A conventional thermostat heats with its W outputs alone: the house stays warm on
 * backup, and nothing shows but the bill.
 */
export const heatPumpHeats: StateRule<'heatPumpHeats', 'heatPumpNeverHeats'> = {
  id: 'heatPumpHeats',
  scope: 'state',
  severity: 'wrong',
  codes: ['heatPumpNeverHeats'],
  applies: (inst) => hasCompressor(inst) && (hasStrips(inst) || hasBurner(inst)),
  each(state) {
    const { situation, abnormalCount, targets } = state
    if (abnormalCount > 0 || !isHeatPumpHeating(situation.call)) return null
    const compressor = targets.find((t) => t.does.what === 'compressor')
    return compressor && state.ofJob(heatsWithoutIt)
      ? { at: compressor.ref, code: 'heatPumpNeverHeats' }
      : null
  },
}
