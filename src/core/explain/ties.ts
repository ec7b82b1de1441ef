import { nth, mustGet } from '../assert'
import { GROUND, standsAt, type Solution } from '../circuit'
import { evaluate, type TerminalRole } from '../equipment'
import { evalContextOf } from '../situation'
import { makeRef, placedByRef, splitRef, type Ref } from '../installation'
import { CALLERS, isCaller, SWITCHES, terminalAt } from './calls'
import { layoutOf, oncePer, tiedTo, type Step } from './layout'
import { polesOf } from './poles'

/** Why something has no volts that no open contact holds: which of its ends stand where. */
export type NoVoltsBecause =
  /** No way in the wiring at all; the wiring ends at this terminal. `from`: as far as what is called has come. */
  | { kind: 'notWired'; last: Ref | null; from?: Ref }
  /** What the thermostat calls just now leads to no input of its kind: this one has nothing from there. */
  | { kind: 'notJoined'; from: Ref; to: Ref }
  /** One end comes to a supply terminal that nothing feeds; `jumper`: the fed one beside it on the same device. */
  | { kind: 'unfed'; terminal: Ref; jumper: Ref | null }
  /**
   * Both ends stand at one end of one supply. `swapped`: the R of a device at which R and C have changed places; `astray`: a C
   * that is landed on the hot side, or an R that is on the common.
   */
  | { kind: 'samePole'; pole: Ref; side: 'hot' | 'common'; swapped: Ref | null; astray?: Ref }
  /** The two ends of its supply are joined: whatever else is wired, nothing has volts. */
  | { kind: 'shorted'; pole: Ref }
  /** Its ends stand at two supplies that share no conductor. */
  | { kind: 'apart'; one: Ref; other: Ref }
  /** Its ends stand at two joined supplies, at points with no volts between them. */
  | { kind: 'alike'; one: Ref; other: Ref }

export interface NoVolts {
  /** Where to look; null: at the load itself. */
  at: Ref | null
  because: NoVoltsBecause
}

const tiedNow = (solution: Solution, start: number): Set<number> =>
  tiedTo(solution, start, (i) => solution.state.closed[i] === 1 || nth(poweredContacts(solution), i))

/** Of each contact, whether the call closes it on a thermostat that only lacks its own power. */
export const meantContacts = oncePer((solution) =>
  solution.circuit.net.contacts.map((_, i) => isMeant(solution, i)),
)

/**
 * Of those, the ones on a thermostat that has both ends of a supply: dead all the same, it is so for what its outputs do. One that
 * lacks an end closes none.
 */
const poweredContacts = oncePer((solution) => {
  const { contacts, loads } = solution.circuit.net
  const isClosed = (i: number) => solution.state.closed[i] === 1
  const hasSupply = (placed: string) =>
    loads
      .filter((l) => l.placed.ref === placed && l.part.does?.what === 'control')
      .every(({ a, b }) => {
        const [atA, atB] = [a, b].map((n) =>
          n === GROUND ? new Set<number>() : tiedTo(solution, n, isClosed),
        )
        return atA !== undefined && atB !== undefined && standApart(solution, atA, atB)
      })
  return contacts.map((c, i) => nth(meantContacts(solution), i) && hasSupply(c.placed.ref))
})

/** Whether the call closes a thermostat's contact, and only the thermostat's own want of power keeps it open. */
function isMeant(solution: Solution, index: number): boolean {
  if (standsAt(solution.state, index) === 2) return false
  const { placed, part } = nth(solution.circuit.net.contacts, index)
  if (placed.device.kind !== 'thermostat') return false
  const powered = evalContextOf(solution.circuit.inst, placed, solution.situation, () => 'yes')
  return evaluate(part.driver, powered) === 'yes'
}

/** An end of a supply. */
export interface SupplyEnd {
  node: number
  side: 'hot' | 'common'
  /** Place of the supply among `polesOf`. */
  supply: number
}

function supplyEnd(solution: Solution, tied: ReadonlySet<number>): SupplyEnd | null {
  for (const [supply, p] of polesOf(solution).entries()) {
    if (tied.has(p.cold)) return { node: p.cold, side: 'common', supply }
    if (tied.has(p.hot)) return { node: p.hot, side: 'hot', supply }
  }
  return null
}

/**
 * Why the two ends of something have no volts between them as the contacts stand, whatever open contact might be closed
 * beside: both are tied to supplies that leave nothing between them, or one to an R that nothing feeds. Null where the
 * reason is an open contact.
 */
export function tiedWithoutVolts(solution: Solution, a: number, b: number): NoVolts | null {
  const found = standingBetween(solution, tiedNow(solution, a), tiedNow(solution, b))
  if (found) return found
  const meant = (i: number) => solution.state.closed[i] === 1 || nth(meantContacts(solution), i)
  const [tiedA, tiedB] = [tiedTo(solution, a, meant), tiedTo(solution, b, meant)]
  const [endA, endB] = [supplyEnd(solution, tiedA), supplyEnd(solution, tiedB)]
  if (endA && endB) return standingBetween(solution, tiedA, tiedB)
  const loose = [endA ? null : tiedA, endB ? null : tiedB].filter((t) => t !== null)
  for (const tied of loose) {
    const dead = unfedTerminal(solution, [...tied])
    if (dead) return dead
  }
  return null
}

/** The same of two ends by what is tied to each; null where one comes to no supply, or they to the two ends of one. */
function standingBetween(
  solution: Solution,
  tiedA: ReadonlySet<number>,
  tiedB: ReadonlySet<number>,
): NoVolts | null {
  const [endA, endB] = [supplyEnd(solution, tiedA), supplyEnd(solution, tiedB)]
  if (!endA || !endB) return null
  return standApart(solution, tiedA, tiedB)
    ? null
    : standing(solution, endA, endB, new Set([...tiedA, ...tiedB]))
}

/** Whether what is tied to two ends holds the two ends of one supply. */
const standApart = (solution: Solution, tiedA: ReadonlySet<number>, tiedB: ReadonlySet<number>): boolean =>
  polesOf(solution).some(
    (p) => (tiedA.has(p.hot) && tiedB.has(p.cold)) || (tiedA.has(p.cold) && tiedB.has(p.hot)),
  )

/** Two ends that both come to a supply, and to no two ends of one. */
export function standing(
  solution: Solution,
  endA: SupplyEnd,
  endB: SupplyEnd,
  around: ReadonlySet<number>,
): NoVolts {
  const { nodes } = solution.circuit.net
  const short = [endA, endB]
    .map((e) => nth(polesOf(solution), e.supply))
    .find((p) => tiedNow(solution, p.hot).has(p.cold))
  if (short) return { at: null, because: { kind: 'shorted', pole: nth(nodes, short.hot) } }
  const [one, other] = [nth(nodes, endA.node), nth(nodes, endB.node)]
  if (endA.node === endB.node) {
    const swapped = swappedAmong(solution, around, endA.side)
    const astray = swapped ? undefined : astrayAmong(solution, around, endA)
    return {
      at: swapped ?? astray ?? null,
      because: { kind: 'samePole', pole: one, side: endA.side, swapped, ...(astray && { astray }) },
    }
  }
  const commons = [endA, endB].map((m) => nth(polesOf(solution), m.supply).cold)
  const joined = tiedTo(solution, nth(commons, 0), () => true).has(nth(commons, 1))
  return { at: null, because: { kind: joined ? 'alike' : 'apart', one, other } }
}

/** Of some nodes, in order, the first R that no supply reaches but through the device it is on. */
export function unfedTerminal(solution: Solution, nodes: readonly number[]): NoVolts | null {
  const { net } = solution.circuit
  const terminal = nodes
    .map((n) => nth(net.nodes, n))
    .find((ref) => roleOf(solution, ref) === 'R' && !isFed(solution, ref))
  return terminal === undefined ? null : unfed(solution, terminal)
}

/** Where a zone panel hands R on to a terminal, the panel's own R, if nothing feeds that. */
function panelBefore(solution: Solution, terminal: Ref): Ref {
  const { inst, net } = solution.circuit
  const hands = [...tiedTo(solution, mustGet(net.index, terminal), () => false)]
    .map((n) => nth(net.nodes, n))
    .find((ref) => roleOf(solution, ref) === 'zoneR')
  if (!hands) return terminal
  const { placed } = splitRef(hands)
  const own = placedByRef(inst, placed)?.device.terminals.find((t) => t.role === 'R')
  const ref = own && makeRef(placed, own.id)
  return ref && ref !== terminal && !isFed(solution, ref) ? ref : terminal
}

/** A terminal that nothing feeds, and the fed one beside it that a jumper would come from. */
function unfed(solution: Solution, lacking: Ref): NoVolts {
  const { inst } = solution.circuit
  const terminal = panelBefore(solution, lacking)
  const { placed } = splitRef(terminal)
  const beside = (placedByRef(inst, placed)?.device.terminals ?? []).map((t) => makeRef(placed, t.id))
  const jumper =
    beside.find((at) => at !== terminal && roleOf(solution, at) === 'R' && isFed(solution, at)) ?? null
  return { at: terminal, because: { kind: 'unfed', terminal, jumper } }
}

/**
 * Of the points of a way from a load to its source, the R that is dead: one that no supply reaches but through its own
 * device (a way through it leads backwards through an output, as no current ever would), or that only something which no
 * call closes could put volts on.
 * @param points nodes of the way, each with whether such a contact leads on from it towards the source
 */
export function deadOnWay(
  solution: Solution,
  points: readonly { node: number; mootAfter: boolean }[],
): NoVolts | null {
  const { net } = solution.circuit
  const dead = unfedTerminal(
    solution,
    points.map((p) => p.node),
  )
  // What only its own device's contact would put on it comes in backwards, through an output that is landed on R.
  const isR = (n: number) => n !== GROUND && roleOf(solution, nth(net.nodes, n)) === 'R'
  // Nor does a thermostat that lacks its power close an output to feed its own R.
  const others = (at: Ref) => (i: number) => {
    const { a, b, placed } = nth(net.contacts, i)
    const isMeantTo = () => nth(meantContacts(solution), i) && !isR(a) && !isR(b)
    return placed.ref !== splitRef(at).placed && (solution.state.closed[i] === 1 || isMeantTo())
  }
  if (dead?.at && !supplyEnd(solution, tiedTo(solution, mustGet(net.index, dead.at), others(dead.at))))
    return dead
  const last = points.findLastIndex((p) => p.mootAfter)
  const before = points
    .slice(0, last + 1)
    .map((p) => nth(net.nodes, p.node))
    .findLast((ref) => roleOf(solution, ref) === 'R' && !feedsItself(solution, splitRef(ref).placed))
  if (before !== undefined) return unfed(solution, before)
  // The setting leaves another contact to do it: one that puts on R, and has none.
  const other = points.flatMap(({ node, mootAfter }) => (mootAfter ? behindOpenOnes(solution, node) : []))
  return unfedTerminal(solution, other)
}

/** The far ends of the contacts at a node that lack nothing but their coils. */
const behindOpenOnes = ({ circuit, situation }: Solution, node: number): number[] =>
  circuit.net.contacts.flatMap(({ a, b, placed, part }) => {
    if (a !== node && b !== node) return []
    const context = evalContextOf(circuit.inst, placed, situation, () => 'yes')
    const far = a === node ? b : a
    return far !== GROUND && evaluate(part.driver, context) === 'yes' ? [far] : []
  })

/** Of the callers that some nodes belong to, the one nearest to the equipment that has no volts between its own R and C, and why. */
export function deadCallerAmong(solution: Solution, nodes: readonly number[]): NoVolts | null {
  const { loads, nodes: refs } = solution.circuit.net
  const near = new Set(nodes.map((n) => splitRef(nth(refs, n)).placed))
  const dead = loads.filter(({ ref, placed, a, b }) => {
    const roles = [a, b].map((n) => terminalAt(solution, n)?.role)
    return near.has(placed.ref) && roles.includes('R') && roles.includes('C') && !solution.energised(ref)
  })
  const inOrder = CALLERS.flatMap((kind) => dead.filter((l) => l.placed.device.kind === kind))
  for (const { a, b } of inOrder) {
    const why = tiedWithoutVolts(solution, a, b)
    if (why) return why
  }
  // Only what some relay holds open leads from its R to a supply.
  const isHot = (n: number) => terminalAt(solution, n)?.role === 'R'
  const lacking = inOrder
    .flatMap(({ a, b }) => [a, b].filter(isHot))
    .find((n) => !supplyEnd(solution, tiedNow(solution, n)))
  return lacking === undefined ? null : unfed(solution, nth(refs, lacking))
}

/** Whether a device has a supply of its own. */
const feedsItself = ({ circuit: { net } }: Solution, placed: string): boolean =>
  [...net.transformers, ...net.sources].some((s) => s.placed.ref === placed)

/** Whether conductors and other devices' contacts, open ones too, lead from a terminal to a supply. */
function isFed(solution: Solution, ref: Ref): boolean {
  const { net } = solution.circuit
  const own = splitRef(ref).placed
  // The R of what has a supply of its own is fed from inside, through a fuse.
  const isSource = feedsItself(solution, own)
  // A contact that puts R on an output feeds nothing backwards; one inside, between a supply and its own R, is a fuse.
  const putsR = (i: number) => {
    const { a, b } = nth(net.contacts, i)
    return touchesR(i) && ![a, b].some((n) => isInner(n))
  }
  const isR = (n: number) => n !== GROUND && roleOf(solution, nth(net.nodes, n)) === 'R'
  const touchesR = (i: number) => isR(nth(net.contacts, i).a) || isR(nth(net.contacts, i).b)
  // Of the two ends of a fuse one stands at its supply without its R.
  const isInner = (n: number) =>
    n !== GROUND &&
    !isR(n) &&
    supplyEnd(
      solution,
      tiedTo(solution, n, (i) => !touchesR(i)),
    ) !== null
  const through = (i: number) => isSource || (nth(net.contacts, i).placed.ref !== own && !putsR(i))
  const tied = tiedTo(solution, mustGet(net.index, ref), through)
  return supplyEnd(solution, tied) !== null
}

/**
 * Where the wiring of a coil's common ends, or of an input that no call is for, if the only way on from there leads through an
 * output of a caller: neither comes that way.
 */
export function endAstray(
  solution: Solution,
  { ends, hot, cold }: { ends: [number, number]; hot: Step[]; cold: Step[] },
): Ref | null {
  const { contacts } = solution.circuit.net
  const isOpen = ({ contact }: Step) => contact !== null && standsAt(solution.state, contact) !== 2
  for (const [end, steps] of [
    [ends[1], cold],
    [ends[0], hot],
  ] as const) {
    const role = terminalAt(solution, end)?.role
    // A leak sensor's contact is closed but for a leak: whatever else is open on its way is no part of it.
    const isNoWay = (i: number) =>
      isCaller(solution, i) || (role === 'LEAK' && !SWITCHES.includes(nth(contacts, i).placed.device.kind))
    const isAstray = steps.some((s) => isOpen(s) && s.contact !== null && isNoWay(s.contact))
    if (!isAstray || (role !== 'C' && role !== 'LEAK')) continue
    const before = [end, ...steps.slice(0, steps.findIndex(isOpen)).map((s) => s.node)]
    const last = before.map((n) => terminalAt(solution, n)?.ref).findLast((ref) => ref !== undefined)
    if (last !== undefined) return last
  }
  return null
}

/** What a terminal is; undefined: no terminal. */
export const roleOf = (solution: Solution, ref: Ref): TerminalRole | undefined =>
  layoutOf(solution).roles[solution.circuit.net.index.get(ref) ?? -1]

/** Of the terminals around a load, the first C that stands at the hot end of a supply, or R that stands at the common one. */
function astrayAmong(solution: Solution, around: ReadonlySet<number>, end: SupplyEnd): Ref | undefined {
  const { nodes } = solution.circuit.net
  const wrong = end.side === 'hot' ? 'C' : 'R'
  const node = [...around].find(
    (n) => roleOf(solution, nth(nodes, n)) === wrong && tiedNow(solution, n).has(end.node),
  )
  return node === undefined ? undefined : nth(nodes, node)
}

/** Of the terminals around a load, an R at the common on a device whose C is hot, or a C that is hot where R is common. */
function swappedAmong(solution: Solution, around: ReadonlySet<number>, side: SupplyEnd['side']): Ref | null {
  const { inst, net } = solution.circuit
  const [here, there] = side === 'common' ? (['R', 'C'] as const) : (['C', 'R'] as const)
  for (const node of around) {
    const ref = nth(net.nodes, node)
    if (roleOf(solution, ref) !== here) continue
    const { placed } = splitRef(ref)
    const other = placedByRef(inst, placed)?.device.terminals.find((t) => t.role === there)
    const at = other && net.index.get(makeRef(placed, other.id))
    const end = at === undefined ? null : supplyEnd(solution, tiedNow(solution, at))
    if (end && end.side !== side) return ref
  }
  return null
}
