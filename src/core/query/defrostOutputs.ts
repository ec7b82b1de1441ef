import { leaves } from '../equipment'
import { makeRef, type Installation, type Placed, type Ref } from '../installation'
import { isLanded, having } from './settings'

/** Terminals through which an outdoor board sends 24 V indoors while it defrosts. */
export const defrostOutputs = (placed: Placed): Ref[] => outputsOf(placed).map((o) => o.terminal)

/** The contacts that send it, of outputs that are landed somewhere. */
export const temperingContacts = (inst: Installation): Ref[] =>
  having(inst, 'compresses').flatMap((p) =>
    outputsOf(p).flatMap((o) => (isLanded(inst, o.terminal) ? [o.contact] : [])),
  )

function outputsOf(placed: Placed): { terminal: Ref; contact: Ref }[] {
  const modes = new Set(
    placed.device.modes.filter((m) => m.states.some((s) => s.condition === 'defrost')).map((m) => m.id),
  )
  return placed.device.parts.flatMap((x) => {
    if (x.kind !== 'contact') return []
    const out = placed.device.terminals.find((t) => t.id === x.b && t.side === 'low' && t.role === 'W1')
    const fires = leaves(x.driver).some((l) => 'mode' in l && modes.has(l.mode))
    return out && fires ? [{ terminal: makeRef(placed.ref, out.id), contact: makeRef(placed.ref, x.id) }] : []
  })
}

/** Defrost outputs of the whole job that are landed anywhere. */
export const landedOutputs = (inst: Installation): Ref[] =>
  having(inst, 'compresses').flatMap((p) => defrostOutputs(p).filter((t) => isLanded(inst, t)))
