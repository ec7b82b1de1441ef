import { nth } from '../assert'
import { standsAt, type Solution } from '../circuit'
import type { DeviceKind, TerminalRole } from '../equipment'
import { makeRef, placedByRef, splitRef, type Ref } from '../installation'
import {
  familyOf,
  harnessOf,
  isOnCaller,
  isOutput,
  isRelayCoil,
  kindAt,
  leadsACall,
  SWITCHES,
  terminalAt,
} from './calls'
import { isLanded } from '../query'
import { tiedTo } from './layout'
import { roleOf } from './ties'

/**
 * Where the conductor that is missing leads to: to the input, or, where what hangs before it is a closed switch, to the switch's
 * far end; a conductor past it would take the switch out of the way. Emergency heat passes no outdoor thermostat.
 * @param around nodes that closed contacts tie to one end of a coil, those nearest to it first
 */
export function farEndOf(solution: Solution, to: Ref, around: readonly number[]): Ref {
  const family = familyOf(roleOf(solution, to))
  const { call } = solution.situation
  let far = to
  for (const node of around.slice(around.findIndex((n) => terminalAt(solution, n)?.ref === to) + 1)) {
    const at = terminalAt(solution, node)
    if (at && isOnCaller(solution, at.ref)) continue
    // What leads to another kind of terminal is in another call's wire.
    if (at && familyOf(at.role) >= 0 && familyOf(at.role) !== family) return handedOn(solution, to)
    const kind = at && kindAt(solution, at.ref)
    if (kind === 'outdoorThermostat' && call === 'emergency') break
    // One between this input and the next is passed after it, and not before.
    const isBetween = [...tiedTo(solution, node, () => false)].some((n) => {
      const beside = terminalAt(solution, n)
      if (!beside || familyOf(beside.role) !== family || isOnCaller(solution, beside.ref)) return false
      const kind = kindAt(solution, beside.ref)
      return kind !== 'lineMonitor' && !isOutput(kind, family)
    })
    const isSwitch = at?.role === 'switch' || kind === 'lineMonitor'
    if (at && isSwitch && kind && SWITCHES.includes(kind) && !isBetween && !isRelayCoil(solution, node))
      far = at.ref
    // A switch that has left its board's pin leaves it open: the call goes on from there.
    if (at && isPin(solution, at) && !isLanded(solution.circuit.inst, at.ref)) return at.ref
  }
  return handedOn(solution, acrossRelay(solution, far))
}

/** Whether a terminal is a board's pin for a switch outside of it. */
export const isPin = (solution: Solution, { ref, role }: { ref: Ref; role: TerminalRole }): boolean =>
  role === 'switch' && !SWITCHES.some((kind) => kind === kindAt(solution, ref))

/** Of a relay's throw that is open just now, its common: a conductor to the throw would take the contact out of the way. */
function acrossRelay(solution: Solution, far: Ref): Ref {
  if (kindAt(solution, far) !== 'relay') return far
  const { contacts, nodes } = solution.circuit.net
  const own = contacts.flatMap(({ a, b }, i) => {
    const ends = [nth(nodes, a), nth(nodes, b)]
    return ends.includes(far) ? [{ ends, isOpen: standsAt(solution.state, i) !== 2 }] : []
  })
  const [throwOf] = own
  return own.length === 1 && throwOf?.isOpen ? (throwOf.ends.find((ref) => ref !== far) ?? far) : far
}

/** Of a kit or a panel that hands a call on, the terminal at which the call comes to it: the one of its kind with a coil. */
function handedOn(solution: Solution, out: Ref): Ref {
  if (!isOnCaller(solution, out) || kindAt(solution, out) === 'thermostat') return out
  const { loads, nodes } = solution.circuit.net
  const { placed } = splitRef(out)
  const family = familyOf(roleOf(solution, out))
  const coils = loads.filter((l) => l.placed.ref === placed).flatMap((l) => [l.a, l.b])
  const at = coils.find((n) => nodes[n] !== out && familyOf(terminalAt(solution, n)?.role) === family)
  return at === undefined ? out : nth(nodes, at)
}

/** Of a call that comes to a panel or a kit, which hands it on, the output there; else where it has come. */
export function handedOut(solution: Solution, reached: Ref, family: number): Ref {
  const { inst, net } = solution.circuit
  const at = net.index.get(reached)
  const own = splitRef(reached).placed
  const panel = [...(at === undefined ? [] : tiedTo(solution, at, () => false))]
    .map((n) => splitRef(nth(net.nodes, n)).placed)
    .map((ref) => placedByRef(inst, ref))
    .find((p) => p && p.ref !== own && (p.device.kind === 'zonePanel' || p.device.kind === 'fuelKit'))
  const out = panel?.device.terminals
    .filter((t) => familyOf(t.role) === family)
    .map((t) => makeRef(panel.ref, t.id))
    .find((ref) => handedOn(solution, ref) !== ref)
  return out ?? reached
}

/** Whether a splice or an outdoor thermostat is in another call's wire: beyond it are inputs of other kinds alone. */
export function isOthersWay(
  solution: Solution,
  node: number,
  seen: ReadonlySet<number>,
  family: number,
): boolean {
  const here = terminalAt(solution, node)
  const kind = here && kindAt(solution, here.ref)
  if (kind !== 'splice' && kind !== 'outdoorThermostat') return false
  const beyond = [...tiedTo(solution, node, (i) => leadsACall(solution, i))].flatMap((n) => {
    const at = terminalAt(solution, n)
    const family = familyOf(at?.role)
    return at && family >= 0 && !seen.has(n) && !isOnCaller(solution, at.ref) ? [family] : []
  })
  return beyond.length > 0 && !beyond.includes(family)
}

/** The output that a board has for the row of a kit's lead; null: none has. */
export function boardOutput(solution: Solution, lead: Ref): Ref | null {
  if (kindAt(solution, lead) !== 'stripKit') return null
  const { inst } = solution.circuit
  const { placed, id } = splitRef(lead)
  const kit = placedByRef(inst, placed)
  const row = kit ? harnessOf(kit.device).findIndex((t) => t.id === id) : -1
  for (const { ref, device } of inst.placed) {
    const own = device.kind === 'airHandler' ? harnessOf(device)[row] : undefined
    if (own) return makeRef(ref, own.id)
  }
  return null
}

/**
 * Where a kit's lead comes from: the output that a board has for its row, past which no lead may go; where none has any, the
 * terminal of its own name in the cabinet, if the call leads there. null: neither.
 * @param called the call's output
 */
export function kitOutput(solution: Solution, lead: Ref, called: number): Ref | null {
  if (kindAt(solution, lead) !== 'stripKit') return null
  const own = boardOutput(solution, lead)
  if (own) return own
  const role = roleOf(solution, lead)
  const way = [...tiedTo(solution, called, (i) => leadsACall(solution, i))]
  return (
    way
      .flatMap((n) => terminalAt(solution, n) ?? [])
      .find((t) => t.role === role && CABINETS.some((kind) => kind === kindAt(solution, t.ref)))?.ref ?? null
  )
}
const CABINETS: readonly DeviceKind[] = ['airHandler', 'furnace']
