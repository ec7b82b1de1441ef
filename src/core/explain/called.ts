import { nth } from '../sure'
import { GROUND, standsAt, type Solution } from '../circuit'
import type { DeviceKind, TerminalRole } from '../equipment'
import { placedByRef, splitRef, type Ref } from '../installation'
import { layoutOf, oncePer, tiedTo } from './layout'
import type { NoVolts } from './ties'

/** Terminals that stand for one thing called: an output of one of them belongs on an input of another. */
const FAMILIES: readonly (readonly TerminalRole[])[] = [
  ['AUX', 'W1', 'W2', 'W3', 'E', 'zoneW1'],
  ['Y1', 'zoneY1'],
  ['Y2'],
  ['G', 'zoneG'],
  ['O', 'B', 'OB', 'zoneOB'],
]
const familyOf = (role: TerminalRole | undefined): number =>
  role === undefined ? -1 : FAMILIES.findIndex((f) => f.includes(role))

/** What a node is as a terminal; undefined for points inside a device. */
function terminalAt(solution: Solution, node: number): { ref: Ref; role: TerminalRole } | undefined {
  const role = node === GROUND ? undefined : layoutOf(solution).roles[node]
  return role && { ref: nth(solution.circuit.net.nodes, node), role }
}

const kindAt = (solution: Solution, ref: Ref): DeviceKind | undefined =>
  placedByRef(solution.circuit.inst, splitRef(ref).placed)?.device.kind

interface Output {
  node: number
  ref: Ref
  family: number
}

/** What calls: a thermostat, and what passes its calls on. */
const CALLERS: readonly DeviceKind[] = ['zonePanel', 'fuelKit', 'thermostat']

/** The outputs that are closed just now, those nearest to the equipment first. */
const calledOutputs = oncePer((solution): Output[] => {
  const rank = (o: Output) => CALLERS.findIndex((kind) => kind === kindAt(solution, o.ref))
  return closedOutputs(solution).sort((x, y) => rank(x) - rank(y))
})
function closedOutputs(solution: Solution): Output[] {
  return solution.circuit.net.contacts.flatMap((c, i) => {
    if (!CALLERS.includes(c.placed.device.kind) || standsAt(solution.state, i) !== 2) return []
    return [c.a, c.b].flatMap((node) => {
      const at = terminalAt(solution, node)
      const family = familyOf(at?.role)
      return at && family >= 0 ? [{ node, ref: at.ref, family }] : []
    })
  })
}

/** Whose terminals of a family are none that a call goes to: a thermostat's call, an outdoor unit's W sends. */
const isOutput = (kind: DeviceKind | undefined, family: number): boolean =>
  kind === 'thermostat' || (kind === 'outdoorUnit' && family === 0)

/** Inputs of devices of one family among some nodes, in their order. */
function inputsAmong(solution: Solution, nodes: Iterable<number>, family: number): Ref[] {
  return [...nodes].flatMap((n) => {
    const at = terminalAt(solution, n)
    if (!at || familyOf(at.role) !== family) return []
    return isOutput(kindAt(solution, at.ref), family) ? [] : [at.ref]
  })
}

/**
 * Whether an output leads to some coil by an input of its kind, through open contacts too; not through other callers, nor
 * through a contact that puts R on something, since what lies behind it is another call.
 */
function leadsOn(solution: Solution, output: Output): boolean {
  const { contacts, loads } = solution.circuit.net
  const isR = (node: number) => terminalAt(solution, node)?.role === 'R'
  const nodes = tiedTo(solution, output.node, (i) => {
    const { placed, a, b } = nth(contacts, i)
    return !CALLERS.includes(placed.device.kind) && !isR(a) && !isR(b)
  })
  nodes.delete(output.node)
  return (
    loads.some((l) => nodes.has(l.a) || nodes.has(l.b)) &&
    inputsAmong(solution, nodes, output.family).length > 0
  )
}

/**
 * What is called and does not come: the thermostat closes an output of the kind of input that a coil has, and the nearest
 * way to the coil leads past it: through an output of another kind, or through what no call closes. What holds that way
 * open explains nothing. Null where the way is the call's own.
 * @param way contacts on the coil's hot side, with whether each waits for something that no call brings
 */
export function notJoined(
  solution: Solution,
  a: number,
  b: number,
  way: readonly { contact: number; isMoot: boolean }[],
): NoVolts | null {
  const outputs = calledOutputs(solution)
  if (!outputs.length) return null
  const { contacts } = solution.circuit.net
  const byNow = (i: number) =>
    solution.state.closed[i] === 1 && !CALLERS.includes(nth(contacts, i).placed.device.kind)
  const around = [a, b].flatMap((end) => (end === GROUND ? [] : [...tiedTo(solution, end, byNow)]))
  const isCaller = (i: number) => CALLERS.includes(nth(contacts, i).placed.device.kind)
  for (const { ref, family } of outputs) {
    const from = splitRef(ref).placed
    const inputs = inputsAmong(solution, around, family).filter((t) => splitRef(t).placed !== from)
    // The device that is furthest from the coil is where the conductor belongs: of its inputs on the nearest one.
    const furthest = inputs[inputs.length - 1]
    const to = inputs.find((t) => furthest !== undefined && splitRef(t).placed === splitRef(furthest).placed)
    if (to === undefined) continue
    const isOwn = (i: number) =>
      isCaller(i) &&
      [nth(contacts, i).a, nth(contacts, i).b].some((n) => familyOf(terminalAt(solution, n)?.role) === family)
    const leadsPast = !way.some((w) => isOwn(w.contact)) && way.some((w) => w.isMoot || isCaller(w.contact))
    const isLost = () => !outputs.some((o) => o.family === family && leadsOn(solution, o))
    if (leadsPast || isLost()) return { at: ref, because: { kind: 'notJoined', from: ref, to } }
  }
  return null
}

/** Whether an end of something stands at an input of the kind that the thermostat calls just now (G in a fan call). */
export function isCalled(solution: Solution, ends: readonly number[]): boolean {
  const families = calledOutputs(solution).map((o) => o.family)
  return ends.some((end) => families.includes(familyOf(terminalAt(solution, end)?.role)))
}
