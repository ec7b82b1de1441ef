import { makeRef } from '../installation'
import type { StateRule } from './rule'
import { liveOutputs } from './outputs'

/** Nothing feeds back into the output of a thermostat that finds its wires by their volts. */
export const wireDetect: StateRule<'wireDetect', 'misled'> = {
  id: 'wireDetect',
  scope: 'state',
  severity: 'warn',
  codes: ['misled'],
  applies: (inst) => inst.placed.some((p) => p.device.plate.detectsWires),
  each(state) {
    const { inst, abnormalCount } = state
    if (abnormalCount > 1) return null
    for (const p of inst.placed) {
      if (!p.device.plate.detectsWires) continue
      const fed = liveOutputs(p, state)[0]
      if (fed) return { at: makeRef(p.ref, fed), code: 'misled' }
    }
    return null
  },
}
