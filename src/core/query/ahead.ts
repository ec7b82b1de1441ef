import type { Ahead, LoadPart } from '../equipment'
import {
  placedByRef,
  settingValue,
  splitRef,
  type Installation,
  type Placed,
  type Ref,
} from '../installation'

/** Whether a heat source stands ahead of the indoor coil; a position not known yet counts as ahead. */
function isAhead(placed: Placed, ahead: Ahead | undefined, otherwise: boolean): boolean {
  if (typeof ahead !== 'object') return ahead ?? otherwise
  const value = settingValue(placed, ahead.set)
  return value === null || ahead.is.includes(value)
}

/** Whether a load makes heat ahead of the indoor coil: burners unless said otherwise, strips only if said so. */
export function makesHeatAhead(placed: Placed, part: LoadPart): boolean {
  const does = part.does
  if (does?.what === 'burner') return isAhead(placed, does.ahead, true)
  return does?.what === 'strip' && isAhead(placed, does.ahead, false)
}

/** Whether the maker of what makes heat at a place lets it temper the air of a defrost. */
export const mayTemper = (inst: Installation, at: Ref): boolean =>
  placedByRef(inst, splitRef(at).placed)?.device.plate.temperDefrost === true
