import { leaves } from '../equipment'
import { makeRef, type Installation, type Placed, type Ref } from '../installation'
import { isLanded, ofKind } from './settings'

/** Terminals through which an outdoor board sends 24 V indoors while it defrosts. */
export function defrostOutputs(placed: Placed): Ref[] {
  const modes = new Set(
    placed.device.modes.filter((m) => m.states.some((s) => s.condition === 'defrost')).map((m) => m.id),
  )
  return placed.device.parts.flatMap((x) => {
    if (x.kind !== 'contact') return []
    const out = placed.device.terminals.find((t) => t.id === x.b && t.side === 'low' && t.role === 'W1')
    const fires = leaves(x.driver).some((l) => 'mode' in l && modes.has(l.mode))
    return out && fires ? [makeRef(placed.ref, out.id)] : []
  })
}

/** Those of the whole job that are landed anywhere. */
export const landedOutputs = (inst: Installation): Ref[] =>
  ofKind(inst, 'outdoorUnit', 'packagedUnit').flatMap((p) =>
    defrostOutputs(p).filter((t) => isLanded(inst, t)),
  )
