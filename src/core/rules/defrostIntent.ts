import { nth } from '../sure'
import { splitRef, type Installation } from '../installation'
import { hasStrips, intentOf, landedOutputs, ofKind } from '../query'
import { breach, hasIntent, ownSettings, standing } from './breach'
import type { Breach, JobRule } from './rule'

type Code = 'defrostLanded' | 'defrostLandedForFault' | 'defrostNotLanded'

const onBus = (inst: Installation): boolean => standing(inst, 'selector', 'bus').length > 0

/**
 * Whether strips heat in defrost is set one way and landed the other. A defrost output that is landed brings the strips on
 * whatever a controller is told, unless the board has a setting of its own that tells the two uses of that output apart;
 * taken off, backup on a fault goes with it.
 */
export const defrostIntent: JobRule<'defrostIntent', Code> = {
  id: 'defrostIntent',
  scope: 'job',
  severity: 'wrong',
  codes: ['defrostLanded', 'defrostLandedForFault', 'defrostNotLanded'],
  applies: (inst) => hasStrips(inst) && hasIntent('stripsInDefrost')(inst),
  find({ inst }) {
    const outputs = landedOutputs(inst)
    const boards = ofKind(inst, 'outdoorUnit', 'packagedUnit')
    const separate = boards.some((p) => ownSettings(p, 'stripsInDefrost').length > 0)
    if (separate) return []
    const off = standing(inst, 'stripsInDefrost', 'no')
    if (off.length && outputs.length) {
      const board = boards.find((p) => p.ref === splitRef(nth(outputs, 0)).placed)
      const fault = board && intentOf(board, 'faultHeat') === 'on'
      return off.flatMap((f): Breach<Code>[] =>
        breach(fault ? 'defrostLandedForFault' : 'defrostLanded', [f.at, outputs[0]]),
      )
    }
    // Over the bus the controller's word is enough.
    if (outputs.length || onBus(inst)) return []
    return standing(inst, 'stripsInDefrost', 'yes').flatMap((f) => breach<Code>('defrostNotLanded', [f.at]))
  },
}
