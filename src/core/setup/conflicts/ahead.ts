import type { Installation } from '../../installation'
import { makesHeatAhead } from '../../laws'

/** Whether any heat source stands ahead of the indoor coil. */
export const aheadOfCoil = (inst: Installation): boolean =>
  inst.placed.some((p) => p.device.parts.some((x) => x.kind === 'load' && makesHeatAhead(p, x)))
