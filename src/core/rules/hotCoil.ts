import type { Circuit } from '../circuit'
import { isHeatPumpHeating, wantsBackup } from '../equipment'
import { aheadTargets, hasCompressor } from '../query'
import { callsOf, memoriesAt, regionsOf } from '../situation'
import { factsOf } from './facts'
import type { StateRule } from './rule'

/**
 * The compressor never starts while the air entering its coil is still hot from the furnace. Where burner and compressor
 * take turns at one outdoor temperature (an upstage, a droop, heating after emergency heat) it would each time; where only
 * the outdoor temperature changes over between them it would seldom, and that is a warning.
 */
export const hotCoil: StateRule<'hotCoil', 'hotRestart' | 'hotRestartSeldom'> = {
  id: 'hotCoil',
  scope: 'state',
  severity: 'danger',
  codes: ['hotRestart', 'hotRestartSeldom'],
  applies: (inst) => aheadTargets(inst).length > 0 && hasCompressor(inst),
  each(state) {
    const { conditions, facts } = state
    if (!facts.compressor || !conditions.has('hotCoil')) return null
    return state.ofJob(takeTurns)
      ? { at: facts.compressor, code: 'hotRestart' }
      : { at: facts.compressor, code: 'hotRestartSeldom', severity: 'warn' }
  },
}

/** Whether some outdoor temperature has both a call that brings heat ahead of the coil alone and one that runs the compressor. */
function takeTurns(circuit: Circuit): boolean {
  const { inst } = circuit
  const calls = callsOf(inst)
  return regionsOf(inst).some((outdoorF) => {
    const modes = Object.fromEntries(memoriesAt(inst, outdoorF).map((m) => [m, 'made']))
    const facts = calls.map((call) => ({
      call,
      ...factsOf(circuit, circuit.settle({ call, outdoorF, modes })),
    }))
    const burns = facts.some((f) => wantsBackup(f.call) && f.heatAhead.length > 0 && !f.compressor)
    return burns && facts.some((f) => isHeatPumpHeating(f.call) && f.compressor && !f.heatAhead.length)
  })
}
