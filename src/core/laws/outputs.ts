import { makeRef, type Placed, type Ref } from '../installation'
import { tolerances } from '../tolerances'

/** Contacts of a thermostat that are open while their output terminal has 24 V from somewhere else. */
export function liveOutputs(
  placed: Placed,
  volts: (a: Ref, b: Ref) => number,
  closed: (contact: Ref) => boolean,
): string[] {
  const common = placed.device.terminals.find((t) => t.role === 'C' && t.side === 'low')
  if (!common) return []
  return placed.device.parts.flatMap((x) => {
    if (x.kind !== 'contact' || x.gate !== 'thermostat' || closed(makeRef(placed.ref, x.id))) return []
    if (!placed.device.terminals.some((t) => t.id === x.b)) return []
    const v = volts(makeRef(placed.ref, x.b), makeRef(placed.ref, common.id))
    return v >= tolerances.liveVolts ? [x.id] : []
  })
}
