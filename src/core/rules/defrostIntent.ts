import { nth } from '../assert'
import { makeRef, settingIn, splitRef, type Installation, type Ref } from '../installation'
import { hasStrips, intentOf, landedOutputs, having } from '../query'
import { breach, hasIntent, ownSettings, settingsSetTo } from './breach'
import type { Breach, JobRule } from './rule'

type Code = 'defrostLanded' | 'defrostLandedForFault' | 'defrostNotLanded'

const onBus = (inst: Installation): boolean => settingsSetTo(inst, 'selector', 'bus').length > 0

/** Settings of a board that follow a controller's in this, where no controller is there to be followed, and that say no. */
const leftAtNo = (inst: Installation): Ref[] =>
  hasIntent('stripsInDefrost')(inst)
    ? []
    : inst.placed.flatMap((placed) =>
        placed.device.settings
          .filter((s) => s.follows === 'stripsInDefrost' && settingIn(inst, placed, s.id) === 'no')
          .map((s) => makeRef(placed.ref, s.id)),
      )

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
  applies: (inst) => hasStrips(inst) && (hasIntent('stripsInDefrost')(inst) || leftAtNo(inst).length > 0),
  find({ inst }) {
    const outputs = landedOutputs(inst)
    const boards = having(inst, 'compresses')
    const separate = boards.some((p) => ownSettings(p, 'stripsInDefrost').length > 0)
    if (separate) return []
    const off = [...settingsSetTo(inst, 'stripsInDefrost', 'no').map((f) => f.at), ...leftAtNo(inst)]
    if (off.length && outputs.length) {
      const board = boards.find((p) => p.ref === splitRef(nth(outputs, 0)).placed)
      const fault = board && intentOf(board, 'faultHeat') === 'on'
      return off.flatMap((at): Breach<Code>[] =>
        breach(fault ? 'defrostLandedForFault' : 'defrostLanded', [at, outputs[0]]),
      )
    }
    // Over the bus the controller's word is enough.
    if (outputs.length || onBus(inst)) return []
    return settingsSetTo(inst, 'stripsInDefrost', 'yes').flatMap((f) =>
      breach<Code>('defrostNotLanded', [f.at]),
    )
  },
}
