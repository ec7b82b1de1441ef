import { nth } from '../assert'
import { GROUND, type Solution } from '../circuit'
import type { TerminalRole } from '../equipment'
import { splitRef, terminalOf, type Ref } from '../installation'
import { isLanded, isLeg } from '../query'
import { kindAt } from './calls'
import { layoutOf, tiedTo } from './layout'
import { polesOf } from './poles'
import { OPEN } from './prices'
import { costOf, reachFrom, type Reach } from './route'
import { standing, unfedTerminal, type NoVolts, type SupplyEnd } from './ties'

/** The end of a supply that is nearest, by open contacts; null where none is reached. */
function nearest(solution: Solution, reach: Reach): SupplyEnd | null {
  let best: SupplyEnd | null = null
  let least = Infinity
  polesOf(solution).forEach((p, supply) => {
    for (const [node, side] of [
      [p.hot, 'hot'],
      [p.cold, 'common'],
    ] as const) {
      const cost = costOf(reach, node)
      if (cost >= least) continue
      least = cost
      best = { node, side, supply }
    }
  })
  return best
}

/**
 * Why no supply could energise something, found where no way from any supply to both its ends exists, through open
 * contacts either. `loose` is the end, by its node, that comes to no supply.
 */
export function noVolts(solution: Solution, a: number, b: number): NoVolts & { loose: number | null } {
  const [reachA, reachB] = [reachFrom(solution, a), reachFrom(solution, b)]
  const [endA, endB] = [nearest(solution, reachA), nearest(solution, reachB)]
  // Of two ends that come to one pole, a common that does so through an open contact alone has lost its own wiring.
  const isTied = (reach: Reach, end: SupplyEnd | null) => end !== null && costOf(reach, end.node) < OPEN
  const [tiedA, tiedB] = [isTied(reachA, endA), isTied(reachB, endB)]
  if (endA && endB) {
    const around = solution.circuit.net.nodes.flatMap((_, i) =>
      Math.min(costOf(reachA, i), costOf(reachB, i)) < Infinity ? [i] : [],
    )
    const found = standing(solution, endA, endB, new Set(around))
    const isLost = tiedA !== tiedB && isCommonEnd(solution, tiedA ? b : a)
    if (!isLost || found.because.kind !== 'samePole' || found.because.swapped)
      return { ...found, loose: null }
  }
  const loose = endA && !(endB && tiedB) ? b : a
  const reach = reachFrom(solution, loose)
  const reached = solution.circuit.net.nodes
    .flatMap((_, i) => (costOf(reach, i) < Infinity ? [i] : []))
    .sort((x, y) => costOf(reach, x) - costOf(reach, y))
  const dead = unfedTerminal(solution, reached)
  if (dead) return { ...dead, loose }
  // What an open contact alone leads on from there is no wiring of its own.
  const isLost = nearest(solution, reach) !== null
  const last =
    (isLost ? lastTerminal(solution, reach, loose, OPEN) : null) ??
    lastTerminal(solution, reach, loose, Infinity)
  return { at: last, because: { kind: 'notWired', last }, loose }
}

/**
 * The landed terminal furthest from the start that can be reached at all: where the wiring ends. A kit's lead that hangs there
 * as well feeds nothing, and is no end of anything but its own row.
 * @param from the node that was begun at
 * @param limit what it may cost to get there
 */
function lastTerminal(solution: Solution, reach: Reach, from: number, limit: number): Ref | null {
  const { inst, net } = solution.circuit
  const { nodes } = net
  const start = nodes[from]
  const isOwn = (ref: Ref) => start !== undefined && splitRef(start).placed === splitRef(ref).placed
  let last: Ref | null = null
  let most = -1
  // On the line side what hangs behind an open contact gets its current from here, and is no place that it comes from.
  const closed = tiedTo(solution, from, (i) => solution.state.closed[i] === 1)
  // A blower's lead stands on the line side too, and gets its current from a leg.
  const isSupply = (ref: Ref | undefined) => {
    const t = ref === undefined ? undefined : terminalOf(inst, ref)?.terminal
    return t !== undefined && isLeg(t)
  }
  const isLine = [...closed].some((n) => isSupply(nodes[n]))
  nodes.forEach((ref, node) => {
    const c = nth(reach.cost, node)
    if (c >= limit || c <= most || !terminalOf(inst, ref) || (isLine && !closed.has(node))) return
    if ((kindAt(solution, ref) === 'stripKit' && !isOwn(ref)) || isOtherThrow(solution, reach, node)) return
    if (isPastEnd(solution, reach, from, node)) return
    most = c
    last = ref
  })
  return last
}

/**
 * Whether a way has left the wiring that it belongs to before it comes to a node: through a sensor, whose two ends are no
 * conductor's; out of a panel to what the panel feeds; or, of a common, past a terminal that is none.
 */
function isPastEnd(solution: Solution, reach: Reach, from: number, node: number): boolean {
  const { nodes } = solution.circuit.net
  const { roles } = layoutOf(solution)
  const placedAt = (n: number) => splitRef(nth(nodes, n)).placed
  const isCommon = isCommonEnd(solution, from)
  let after = node
  for (let at = reach.back[node]; at; at = at.from === GROUND ? undefined : reach.back[at.from]) {
    const before = at.from
    if (before === GROUND) return false
    const role = roles[before]
    const isOut = placedAt(before) !== placedAt(after)
    if (kindAt(solution, at.step.branch) === 'outdoorSensor') return true
    // A panel's common comes to it by its own C, and goes on to its zones from there.
    if (isCommon && before === from && !isOut && roles[after] === 'zoneC') return true
    if (isOut && ZONE_SIDE.some((r) => r === role) && before !== from) return true
    if (isCommon && before !== from && role !== undefined && !PASSES_COMMON.some((r) => r === role))
      return true
    after = before
  }
  return false
}
const ZONE_SIDE: readonly TerminalRole[] = ['zoneR', 'zoneC']
const PASSES_COMMON: readonly TerminalRole[] = ['C', 'splice', 'switch', 'zoneC']

/** Whether an end is the common of its device, or a kit's lead for it. */
export function isCommonEnd(solution: Solution, end: number): boolean {
  const at = terminalOf(solution.circuit.inst, nth(solution.circuit.net.nodes, end))?.terminal
  return at?.role === 'C' || (at?.role === 'harness' && at.label === 'C')
}

/**
 * Whether a way goes out by a throw of a switch where nobody landed anything, from its pole, and another throw of that pole is
 * wired: by that one it came in, or goes on.
 */
function isOtherThrow(solution: Solution, reach: Reach, node: number): boolean {
  const { inst, net } = solution.circuit
  const at = reach.back[node]
  const contact = at?.step.contact
  if (typeof contact !== 'number' || isLanded(inst, nth(net.nodes, node))) return false
  const { placed } = nth(net.contacts, contact)
  return net.contacts.some((c) => {
    const ends = [c.a, c.b]
    const other = ends.find((n) => n !== at?.from)
    if (c.placed !== placed || !ends.includes(at?.from ?? GROUND) || other === node) return false
    return other !== undefined && other !== GROUND && isLanded(inst, nth(net.nodes, other))
  })
}
