import type { Part, PathPart } from '../equipment'
import { makeRef, placedByRef, splitRef, type Installation, type Ref } from '../installation'
import { landedAt } from './settings'

/** Ω: up to this a conductor inside a device joins its ends as copper does; a sensor's thermistor does not. */
const COPPER_OHMS = 1

/** Whether a part of a device is a plain conductor inside it. */
export const isCopper = (part: Part): part is PathPart => part.kind === 'path' && part.ohms <= COPPER_OHMS

/** Terminals of the same device that plain conductors inside it join to this one, such as a board's pass-through pins. */
function insideTo(inst: Installation, ref: Ref): Ref[] {
  const { placed, id } = splitRef(ref)
  const device = placedByRef(inst, placed)?.device
  return (device?.parts ?? []).flatMap((p) =>
    isCopper(p) && (p.a === id || p.b === id) ? [makeRef(placed, p.a === id ? p.b : p.a)] : [],
  )
}

/** The same with the plain conductors inside devices: what carries the same volts whatever any contact does. */
export const wiredNet = (inst: Installation, from: Ref): ReadonlySet<Ref> =>
  netFrom(inst, from, (at) => insideTo(inst, at))

/** Every terminal that wires and splices alone join to this one, itself included. */
const copperNet = (inst: Installation, from: Ref): ReadonlySet<Ref> => netFrom(inst, from, () => [])

function netFrom(inst: Installation, from: Ref, beside: (at: Ref) => Ref[]): ReadonlySet<Ref> {
  const net = new Set<Ref>([from])
  const next = [from]
  for (let at = next.pop(); at !== undefined; at = next.pop())
    for (const other of [...landedAt(inst, at).map((w) => (w.a === at ? w.b : w.a)), ...beside(at)]) {
      if (other === null || net.has(other)) continue
      net.add(other)
      next.push(other)
    }
  return net
}

/** Whether wires and splices alone join two terminals. */
export const joinedByCopper = (inst: Installation, from: Ref, to: Ref): boolean =>
  copperNet(inst, from).has(to)
