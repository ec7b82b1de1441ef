import { nth } from '../assert'
import { GROUND, standsAt, type Solution } from '../circuit'
import { roleRow, type DeviceKind, type TerminalRole } from '../equipment'
import { makeRef, splitRef, type Placed, type Ref } from '../installation'
import { isLanded } from '../query'
import {
  CALLERS,
  FAMILIES,
  familyOf,
  harnessOf,
  isCaller,
  isOnCaller,
  isOutput,
  isRelayCoil,
  kindAt,
  leadsACall,
  SWITCHES,
  terminalAt,
  type Families,
  type Output,
} from './calls'
import { boardOutput, farEndOf, handedOut, isOthersWay, isPin, kitOutput } from './farEnd'
import { layoutOf, oncePer, ROW_CALLS, tiedTo } from './layout'
import { polesOf } from './poles'
import { dryRelay, isOthersRelay, relayOut } from './relays'
import { roleOf, type NoVolts } from './ties'

/** What calls a load: a valve’s own wire is none that brings strips, and the fan’s none that runs a compressor. */
export function familiesOf(solution: Solution, target: Ref): Families {
  const [backup, heatPump, second, valve] = [familyOf('W1'), familyOf('Y1'), familyOf('Y2'), familyOf('OB')]
  switch (solution.circuit.net.loads.find((l) => l.ref === target)?.part.does?.what) {
    case 'reversingValve':
      return [valve]
    case 'strip':
      return [backup]
    case 'compressor':
    case 'outdoorFan':
      return [heatPump, second]
    case 'burner':
      // A fuel kit makes a furnace’s call of one for the heat pump.
      return [backup, heatPump, second]
    default:
      return null
  }
}

/**
 * What closed contacts tie to an end of something, those of callers left out; the nearest first. An open one of its own board
 * that is on the way is passed as well: the call comes to the board's terminal behind it.
 */
const behind = (solution: Solution, end: number, way: readonly number[] = []): number[] => {
  const { contacts, nodes } = solution.circuit.net
  const { placed } = splitRef(nth(nodes, end))
  const isOwn = (i: number) => way.includes(i) && nth(contacts, i).placed.ref === placed
  return [
    ...tiedTo(solution, end, (i) => (solution.state.closed[i] === 1 || isOwn(i)) && !isCaller(solution, i)),
  ]
}

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

/** Whether a contact is an output that calls just now for something of these kinds. */
export function callsFor(solution: Solution, contact: number, families: Families): boolean {
  const { a, b } = nth(solution.circuit.net.contacts, contact)
  return calledOutputs(solution).some(
    (o) => (o.node === a || o.node === b) && (families === null || families.includes(o.family)),
  )
}

/** Inputs of devices of one family among some nodes, in their order. */
function inputsAmong(solution: Solution, nodes: Iterable<number>, family: number): Ref[] {
  return [...nodes].flatMap((n) => {
    const at = terminalAt(solution, n)
    if (!at || familyOf(at.role) !== family) return []
    return isOutput(kindAt(solution, at.ref), family) ? [] : [at.ref]
  })
}

const relayCoilAmong = (solution: Solution, nodes: readonly number[]): Ref | undefined => {
  const node = nodes.find((n) => isRelayCoil(solution, n))
  return node === undefined ? undefined : terminalAt(solution, node)?.ref
}

/** Whether a backup call on a board is only read there, and heats by what the board hands it on to: its kit. */
const isOnlyRead = ({ device }: Placed, family: number): boolean =>
  family === familyOf('W1') && device.kind === 'airHandler' && harnessOf(device).length > 0

/**
 * Whether an output leads to some coil by an input of its kind, through open contacts too; not through other callers, nor
 * through a contact that puts R on something, since what lies behind it is another call.
 */
function leadsOn(solution: Solution, output: Output): boolean {
  const { loads } = solution.circuit.net
  const nodes = tiedTo(solution, output.node, (i) => leadsACall(solution, i))
  nodes.delete(output.node)
  if (!loads.some((l) => (nodes.has(l.a) || nodes.has(l.b)) && !isOnlyRead(l.placed, output.family)))
    return false
  return (
    inputsAmong(solution, nodes, output.family).length > 0 || [...nodes].some((n) => isRelayCoil(solution, n))
  )
}

/**
 * The last terminal that a call's volts come to on their own way: over conductors, splices and closed switches, past terminals
 * of its own kind, as long as there is one way on. That is where a meter still shows them, and the next conductor is missing.
 */
function lastReached(solution: Solution, output: Output): Ref {
  const { nodes } = solution.circuit.net
  const passes = (contact: number | null) =>
    contact === null || (standsAt(solution.state, contact) === 2 && !isCaller(solution, contact))
  const seen = new Set([output.node])
  let last = output.ref
  for (let at: number | undefined = output.node; at !== undefined;) {
    const on: number[] = (layoutOf(solution).around.get(at) ?? [])
      .filter((s) => s.node !== GROUND && !seen.has(s.node) && passes(s.contact))
      .map((s) => s.node)
    // A jumper on the same device is no way on where a conductor leads away from it.
    const here = terminalAt(solution, at)
    const away = here ? on.filter((n) => splitRef(nth(nodes, n)).placed !== splitRef(here.ref).placed) : on
    // Another output that is joined to this one there is no way on either.
    const others = away.filter((n) => !isOnCaller(solution, nth(nodes, n)))
    const ways = new Set([others, away].find((list) => list.length > 0) ?? on)
    const next = ways.size === 1 ? [...ways][0] : undefined
    const there = next === undefined ? undefined : terminalAt(solution, next)
    const role = there?.role
    // Another output of a caller may hang there, which is no place that a call goes to, or a row's lead, where it ends.
    const isBack =
      there !== undefined && (isOnCaller(solution, there.ref) || kindAt(solution, there.ref) === 'stripKit')
    // Landed on another kind of terminal it has left its way.
    const isOnWay =
      !(next !== undefined && isRelayCoil(solution, next)) &&
      (role === undefined ||
        role === 'splice' ||
        (role === 'switch' && FAMILIES[output.family]?.some((r) => roleRow(r).passesSwitch)) ||
        familyOf(role) === output.family)
    // Through a relay to R it is no call any more, wherever that leads.
    if (role === 'R' && kindAt(solution, last) === 'relay') return output.ref
    if (next === undefined || isBack || !isOnWay) return last
    // What hangs on a board's pin is its switch, and whoever has come to one end of that is at the other too.
    const isItsSwitch =
      here !== undefined &&
      (isPin(solution, here) || splitRef(here.ref).placed === splitRef(nth(nodes, next)).placed)
    if (!isItsSwitch && isOthersWay(solution, next, seen, output.family)) return last
    seen.add(next)
    if (role !== undefined) last = nth(nodes, next)
    at = next
  }
  return last
}

const outputsFor = (solution: Solution, families: Families): Output[] =>
  calledOutputs(solution).filter((o) => families === null || families.includes(o.family))

/**
 * What is called and does not come: the thermostat closes an output of the kind of input that a coil has, and the nearest
 * way to the coil leads past it: through an output of another kind, or through what no call closes. What holds that way
 * open explains nothing. Null where the way is the call's own.
 * @param way contacts on the coil's hot side, with whether each waits for something that no call brings
 * @param families calls that the thing may be meant for
 */
export function notJoined(
  solution: Solution,
  a: number,
  b: number,
  way: readonly { contact: number; isMoot: boolean }[],
  families: Families,
): NoVolts | null {
  const outputs = outputsFor(solution, families)
  if (!outputs.length) return null
  const { contacts } = solution.circuit.net
  const passed = way.filter((w) => !w.isMoot).map((w) => w.contact)
  const poles = polesOf(solution).flatMap((p) => [p.hot, p.cold])
  // What stands at a supply waits for no call there.
  const waiting = (nodes: number[]) => (poles.some((p) => nodes.includes(p)) ? [] : nodes)
  const ends = [a, b].map((end, i) =>
    end === GROUND ? [] : waiting(behind(solution, end, i === 0 ? passed : [])),
  )
  const around = ends.flat()
  // A relay’s contact on the way waits for its own coil, whose chain is asked next; one that its coil holds open does not.
  const waitsForRelay = way.some(({ contact }) => {
    const { placed } = nth(contacts, contact)
    return (
      placed.device.kind === 'relay' &&
      standsAt(solution.state, contact) !== 2 &&
      !solution.circuit.net.loads.some((l) => l.placed.ref === placed.ref && solution.energised(l.ref)) &&
      !isOthersRelay(solution, placed.ref, families)
    )
  })
  if (waitsForRelay) return null
  for (const output of outputs) {
    const { family } = output
    const isLost = () => !outputs.some((o) => o.family === family && leadsOn(solution, o))
    const jumpered = upperInput(solution, output, around)
    const input =
      inputOf(solution, output, around) ??
      jumpered ??
      (isLost() ? relayCoilAmong(solution, around) : undefined)
    const to = input && (boardInput(solution, input) ?? input)
    if (to === undefined) continue
    const isOwn = (i: number) =>
      isCaller(solution, i) &&
      [nth(contacts, i).a, nth(contacts, i).b].some((n) => familyOf(terminalAt(solution, n)?.role) === family)
    const leadsPast =
      !way.some((w) => isOwn(w.contact)) && way.some((w) => w.isMoot || isCaller(solution, w.contact))
    const own = ends.find((nodes) => nodes.some((n) => terminalAt(solution, n)?.ref === to)) ?? []
    const missing = (from: Ref): NoVolts | null => {
      const far = farEndOf(solution, to, own)
      // Where they are joined after all it is something else that is wanting.
      return areJoined(solution, from, far)
        ? null
        : { at: from, because: { kind: 'notJoined', from, to: far } }
    }
    if (leadsPast && input === jumpered && !isLost()) return missing(besideOf(solution, output, to))
    const isOthers = (i: number) =>
      isOwn(i) && standsAt(solution.state, i) !== 2 && isApart(solution, output, i)
    if (!isLost() && way.some((w) => isOthers(w.contact))) return missing(besideOf(solution, output, to))
    // Landed on the terminal of its own name, a later stage's output waits for its own call, whichever other is lost.
    const isStage = (role: TerminalRole | undefined) => role === 'W2' || role === 'W3'
    const hasOwnOutput = way.some(({ contact }) => {
      const { a, b } = nth(contacts, contact)
      return isOwn(contact) && [a, b].some((n) => terminalAt(solution, n)?.role === roleOf(solution, to))
    })
    const waitsForStage = isStage(roleOf(solution, to)) && hasOwnOutput
    if (leadsPast || (isLost() && !waitsForStage)) {
      const dry = dryRelay(
        solution,
        outputs.filter((o) => o.family === family),
        around,
      )
      if (dry) return { at: dry, because: { kind: 'unfed', terminal: dry, jumper: null } }
      return missing(missingFrom(solution, outputs, output, to))
    }
  }
  return null
}

/** Whether conductors and switches, open ones too, lead from one terminal to another. */
function areJoined(solution: Solution, one: Ref, other: Ref): boolean {
  const { index } = solution.circuit.net
  const [a, b] = [index.get(one), index.get(other)]
  const isSwitch = (i: number) => SWITCHES.includes(nth(solution.circuit.net.contacts, i).placed.device.kind)
  return a !== undefined && b !== undefined && tiedTo(solution, a, isSwitch).has(b)
}

/** Whether a contact is AUX's where E is what calls, or E's where AUX does: each is to bring all backup, by a jumper of the board's. */
function isApart(solution: Solution, output: Output, contact: number): boolean {
  const { a, b } = nth(solution.circuit.net.contacts, contact)
  const roles = [a, b].map((n) => terminalAt(solution, n)?.role)
  const called = roleOf(solution, output.ref)
  return (called === 'E' && roles.includes('AUX')) || (called === 'AUX' && roles.includes('E'))
}

/** Where neither thermostat nor outdoor unit has a second stage: a board's input for one, which a jumper from the first brings on. */
function upperInput(solution: Solution, output: Output, around: readonly number[]): Ref | undefined {
  const { inst } = solution.circuit
  const upper = familyOf('Y2')
  const hasTwo = inst.placed.some(({ ref, device }) =>
    device.terminals.some(
      ({ role, id }) =>
        role === 'Y2' &&
        (device.kind === 'outdoorUnit' ||
          (CALLERS.includes(device.kind) && isLanded(inst, makeRef(ref, id)))),
    ),
  )
  return hasTwo || output.family !== familyOf('Y1')
    ? undefined
    : inputOf(solution, { ...output, family: upper }, around)
}

/** Where a call's own wiring comes to the device of an input; else as far as it has come. */
function besideOf(solution: Solution, output: Output, input: Ref): Ref {
  const way = [...tiedTo(solution, output.node, (i) => leadsACall(solution, i))]
  const beside = inputsAmong(solution, way, output.family).find(
    (t) => splitRef(t).placed === splitRef(input).placed,
  )
  return beside ?? lastReached(solution, output)
}

/**
 * The same of an end that comes to no supply at all, through open contacts either: of what is called, what this end has nothing
 * of. Null where no call of its kind is made.
 * @param last the terminal at which its own wiring ends
 */
export function notJoinedEnd(
  solution: Solution,
  end: number,
  last: Ref | null,
  families: Families,
): NoVolts | null {
  const around = behind(solution, end)
  const outputs = outputsFor(solution, families)
  for (const output of outputs) {
    const own = inputOf(solution, output, around)
    const to = own ?? upperInput(solution, output, around)
    if (to === undefined) continue
    const from = own ? missingFrom(solution, outputs, output, to) : besideOf(solution, output, to)
    const far = farEndOf(solution, to, around)
    if (areJoined(solution, from, far)) continue
    return to === last
      ? { at: last, because: { kind: 'notWired', last, from } }
      : { at: from, because: { kind: 'notJoined', from, to: far } }
  }
  return null
}

/** What a call comes to first: what hands it on, then the indoor unit, whose terminals the outdoor unit hangs on. */
const COMES_TO: readonly DeviceKind[] = ['zonePanel', 'fuelKit', 'airHandler', 'furnace', 'packagedUnit']

/**
 * Of some nodes, the input that an output belongs on: the nearest of the device that a call comes to first, else of the one that
 * is furthest from the coil; a kit's own lead only where it hangs on nothing that is one.
 */
function inputOf(solution: Solution, output: Output, around: readonly number[]): Ref | undefined {
  const caller = splitRef(output.ref).placed
  const all = inputsAmong(solution, around, output.family).filter((t) => splitRef(t).placed !== caller)
  const boards = all.filter((t) => kindAt(solution, t) !== 'stripKit')
  const nearest = around.map((n) => terminalAt(solution, n)?.ref).find((ref) => ref !== undefined)
  const inputs = boards.length ? boards : all.filter((t) => t === nearest)
  const first =
    COMES_TO.flatMap((kind) => inputs.find((t) => kindAt(solution, t) === kind) ?? [])[0] ??
    inputs[inputs.length - 1]
  return inputs.find((t) => first !== undefined && splitRef(t).placed === splitRef(first).placed)
}

/** Where a call's volts stand that do not come to an input: from there a conductor is missing. */
function missingFrom(solution: Solution, outputs: readonly Output[], output: Output, to: Ref): Ref {
  // Of several that are called, one that arrives nowhere is the one whose conductor is missing; E is not, where nobody has landed
  // it and AUX of the same device does its work.
  const own = outputs.filter((o) => o.family === output.family)
  const aux = (o: Output) =>
    own.find(
      (x) =>
        roleOf(solution, x.ref) === 'AUX' &&
        splitRef(x.ref).placed === splitRef(o.ref).placed &&
        leadsOn(solution, x),
    )
  const instead = (o: Output) =>
    roleOf(solution, o.ref) === 'E' && !isLanded(solution.circuit.inst, o.ref) ? (aux(o) ?? o) : o
  const lost = own.map(instead).find((o) => !leadsOn(solution, o)) ?? instead(output)
  const reached = handedOut(solution, lastReached(solution, lost), output.family)
  // On one device a jumper leads from a lower stage to a higher; landed on the higher alone, the call itself is on the wrong one.
  const stage = (ref: Ref) => FAMILIES[output.family]?.findIndex((r) => r === roleOf(solution, ref)) ?? -1
  const isMislanded = splitRef(reached).placed === splitRef(to).placed && stage(reached) > stage(to)
  return (
    kitOutput(solution, to, lost.node) ?? relayOut(solution, [lost]) ?? (isMislanded ? lost.ref : reached)
  )
}

/**
 * Of a kit's lead that hangs on the output which a board has for its row, the board's input of the lead's name, or the lower one
 * that is jumpered to it.
 */
function boardInput(solution: Solution, lead: Ref): Ref | null {
  const { index, nodes } = solution.circuit.net
  const [from, at] = [boardOutput(solution, lead), index.get(lead)]
  const out = from === null ? undefined : index.get(from)
  if (from === null || at === undefined || out === undefined) return null
  if (!tiedTo(solution, at, () => false).has(out)) return null
  const isInput = (ref: Ref) =>
    splitRef(ref).placed === splitRef(from).placed && roleOf(solution, ref) === roleOf(solution, lead)
  const input = nodes.findIndex(isInput)
  if (input < 0) return null
  const { placed } = splitRef(from)
  const tied = inputsAmong(
    solution,
    tiedTo(solution, input, () => false),
    familyOf(roleOf(solution, lead)),
  )
  const order = (ref: Ref) => ROW_CALLS.findIndex((r) => r === roleOf(solution, ref))
  return tied.filter((t) => splitRef(t).placed === placed).sort((x, y) => order(x) - order(y))[0] ?? null
}

/** Whether an end of something stands at an input of the kind that the thermostat calls just now (G in a fan call). */
export function isCalled(solution: Solution, ends: readonly number[]): boolean {
  const families = calledOutputs(solution).map((o) => o.family)
  return ends.some((end) => families.includes(familyOf(terminalAt(solution, end)?.role)))
}

/** Whether a coil that no supply reaches is a relay's that a call hangs on, or that one which leads nowhere was meant for. */
export function isLostRelay(solution: Solution, ends: readonly number[]): boolean {
  if (!ends.some((end) => isRelayCoil(solution, end))) return false
  const around = ends.flatMap((end) => (end === GROUND ? [] : behind(solution, end)))
  return calledOutputs(solution).some((o) => around.includes(o.node) || !leadsOn(solution, o))
}
