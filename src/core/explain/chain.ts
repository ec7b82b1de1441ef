import { nth } from '../assert'
import { explain, type Because, type Truth } from '../equipment'
import { GROUND, standsAt, type Solution } from '../circuit'
import { type Ref } from '../installation'
import { evalContextOf } from '../situation'
import { callsFor, familiesOf, notJoinedEnd } from './called'
import { isOnCaller, type Families } from './calls'
import { layoutOf, oncePer, tiedTo, type Step } from './layout'
import { isCommonEnd, noVolts } from './noVolts'
import { coilToFollow, costOf, feedsOnItself, reachFrom, wayTo, whyNoWay } from './route'
import { tiedWithoutVolts, type NoVoltsBecause } from './ties'

export type GateState = 'passing' | 'blocking' | 'unknown' | 'notReached'

/** Reasons that a driver cannot give. */
export type ChainBecause =
  | Because
  | NoVoltsBecause
  /** The coil or load has volts, but not enough of them. */
  | { kind: 'volts'; volts: number; needs: number }
  /** It is on, and not by the way that closed contacts make: through another load, or from a supply not meant for it. */
  | { kind: 'otherWay' }
  /** It is slow: its driver says otherwise already. */
  | { kind: 'late'; closes: boolean }

export interface ChainGate {
  at: Ref
  /** Which circuit the gate stands in: what feeds the control power, the control circuit, or the load's own line. */
  side: 'supply' | 'control' | 'line'
  state: GateState
  because: ChainBecause[]
}

/** Why one thing runs or does not: every gate from source through load to common, found in the solved circuit. */
export interface GateChain {
  target: Ref
  running: Truth
  gates: ChainGate[]
  /** Index of the first gate that blocks or is unknown; null when none does. */
  first: number | null
  /** Everything that the path runs through: wires, contacts and terminals, from source to common. */
  route: Ref[]
}

/** What the chain of one load, and of the coils that drive it, gathers on its way. */
interface Gathered {
  gates: ChainGate[]
  route: Ref[]
  seen: Set<Ref>
  /** Calls that the thing may be meant for. */
  families: Families
}

/**
 * The gate chain of a load: the path with the fewest open contacts on both sides of it; before each contact that a
 * coil drives, that coil's own chain; before a transformer's secondary, what feeds its primary.
 * @param target reference of a load part, such as "kit.row2"; anything else gives a chain that is not wired
 */
export function gateChain(solution: Solution, target: Ref): GateChain {
  const found: Gathered = { gates: [], route: [], seen: new Set(), families: familiesOf(solution, target) }
  const load = solution.circuit.net.loads.find((l) => l.ref === target)
  if (load) followLoad(solution, target, 'line', found)
  else
    found.gates.push({
      at: target,
      side: 'line',
      state: 'blocking',
      because: [{ kind: 'notWired', last: null }],
    })
  const on = solution.energised(target)
  const gates = withoutTwins(on ? onlyPassing(found.gates, target) : found.gates)
  const first = gates.findIndex((g) => g.state !== 'passing')
  for (const g of first < 0 ? [] : gates.slice(first + 1))
    if (g.state === 'blocking' && g.because.every((b) => b.kind === 'energised')) g.state = 'notReached'
  const onlyUnknown = first >= 0 && gates.every((g) => g.state !== 'blocking')
  const running: Truth = on ? 'yes' : onlyUnknown ? 'unknown' : 'no'
  return {
    target,
    running,
    gates,
    first: running === 'yes' || first < 0 ? null : first,
    route: [...new Set(found.route)],
  }
}

const chainsKnown = oncePer(() => new Map<Ref, GateChain>())

/** The gate chain of a target, worked out once for a solution however many places of the screen show it. */
export function chainOf(solution: Solution, target: Ref): GateChain {
  const known = chainsKnown(solution)
  const chain = known.get(target) ?? gateChain(solution, target)
  known.set(target, chain)
  return chain
}

/** The chain of a load that is on shows nothing that blocks it: what does not pass is not its way. */
function onlyPassing(gates: readonly ChainGate[], target: Ref): ChainGate[] {
  const passing = gates.filter((g) => g.state === 'passing')
  if (passing.length === gates.length) return passing
  return [...passing, { at: target, side: 'line', state: 'passing', because: [{ kind: 'otherWay' }] }]
}

function followLoad(solution: Solution, ref: Ref, side: 'control' | 'line', found: Gathered): void {
  if (found.seen.has(ref)) return
  found.seen.add(ref)
  const load = solution.circuit.net.loads.find((l) => l.ref === ref)
  if (!load) return
  const own = load.part.volts < 50 ? 'control' : side
  const wired = followEnds(solution, load.a, load.b, load.pullIn, own, ref, found)
  const blocked = found.gates.some((g) => g.state !== 'passing')
  if (wired && !blocked && !solution.energised(ref)) {
    const at = solution.circuit.net.nodes
    const volts = solution.volts(nth(at, load.a), nth(at, load.b))
    found.gates.push({
      at: ref,
      side: own,
      state: 'blocking',
      because: [{ kind: 'volts', volts, needs: load.pullIn }],
    })
  }
}

/** Follows both sides of something with two ends; false when it is not wired. */
function followEnds(
  solution: Solution,
  a: number,
  b: number,
  needs: number,
  side: ChainGate['side'],
  ref: Ref,
  found: Gathered,
): boolean {
  const { net } = solution.circuit
  // A supply of too few volts is still a supply: what it lacks is said of the load.
  const tied = solution.energised(ref) ? null : tiedWithoutVolts(solution, a, b)
  const way = tied ? null : (wayTo(solution, a, b, needs) ?? wayTo(solution, a, b, 0))
  const own =
    side === 'supply' && way
      ? feedsOnItself(
          solution,
          way,
          net.transformers.findIndex((t) => t.ref === ref),
        )
      : null
  if (own !== null) {
    const last = lineTerminal(solution, own)
    found.gates.push({ at: last ?? ref, side, state: 'blocking', because: [{ kind: 'notWired', last }] })
    return false
  }
  const dead =
    way && !solution.energised(ref) ? whyNoWay(solution, way, side === 'control', found.families) : null
  if (!way || dead) {
    const none = tied ?? dead
    const { loose, ...ends } = none ? { ...none, loose: null } : noVolts(solution, a, b)
    const called =
      loose !== null &&
      side === 'control' &&
      ends.because.kind === 'notWired' &&
      !isCommonEnd(solution, loose)
        ? notJoinedEnd(solution, loose, ends.because.last, found.families)
        : null
    const { at, because } = called ?? ends
    found.gates.push({ at: at ?? ref, side, state: 'blocking', because: [because] })
    if (loose !== null) {
      const reach = reachFrom(solution, loose)
      net.nodes.forEach((n, i) => costOf(reach, i) < Infinity && found.route.push(n))
    }
    return false
  }
  if (way.poles.transformer !== null) {
    const t = nth(net.transformers, way.poles.transformer)
    if (!found.seen.has(t.ref)) {
      found.seen.add(t.ref)
      followEnds(solution, t.a, t.b, 0.5 * (t.part.noLoadVolts / t.ratio), 'supply', t.ref, found)
    }
  }
  const towards = (steps: Step[], from: number): Step[] => turned(steps, from)
  const hot = towards(way.hot, way.ends[0])
  follow(solution, hot, side, found)
  found.route.push(ref)
  follow(solution, way.cold, side, found)
  return true
}

/** The terminal that an end comes to by what is closed: where its conductor is missing. */
function lineTerminal(solution: Solution, end: number): Ref | null {
  if (end === GROUND) return null
  const tied = tiedTo(solution, end, (i) => solution.state.closed[i] === 1)
  const { roles } = layoutOf(solution)
  const node = [...tied].find((n) => roles[n] !== undefined)
  return node === undefined ? null : nth(solution.circuit.net.nodes, node)
}

/** The same steps walked from the far end, so that gates come in the order in which current meets them. */
function turned(steps: Step[], start: number): Step[] {
  const nodes = [start, ...steps.map((s) => s.node)]
  return steps.map((s, i) => ({ ...s, node: nth(nodes, i) })).reverse()
}

function follow(solution: Solution, steps: Step[], side: ChainGate['side'], found: Gathered): void {
  const { net } = solution.circuit
  for (const step of steps) {
    if (step.contact !== null) {
      const gate = gateAt(solution, step.contact, side)
      const coil = coilToFollow(solution, step.contact)
      const start = found.gates.length
      if (coil !== null) followLoad(solution, coil, 'control', found)
      const before = found.gates.splice(start)
      const isCalled = () =>
        steps.some((s) => s.contact !== null && callsFor(solution, s.contact, found.families))
      // Where the call itself has come through, a relay that waits for another call is what stands in its way.
      const isInItsWay = gate.state !== 'passing' && waitsForCall(solution, before) && isCalled()
      found.gates.push(...(isInItsWay ? [gate, ...before] : [...before, gate]))
    }
    found.route.push(step.branch)
    if (step.node !== GROUND) found.route.push(nth(net.nodes, step.node))
  }
}

/** Whether all that keeps a coil out is an output that is not called in this call. */
function waitsForCall(solution: Solution, gates: readonly ChainGate[]): boolean {
  const open = gates.filter((g) => g.state !== 'passing')
  return (
    open.length > 0 &&
    open.every((g) => isOnCaller(solution, g.at) && g.because.every((b) => b.kind === 'call'))
  )
}

function gateAt(solution: Solution, index: number, side: ChainGate['side']): ChainGate {
  const { placed, part, ref } = nth(solution.circuit.net.contacts, index)
  const energised = (id: string): Truth => (solution.energised(`${placed.ref}.${id}`) ? 'yes' : 'no')
  const { state } = solution
  const level = standsAt(state, index)
  // What its driver says is no reason while it has not followed yet.
  const because: ChainBecause[] =
    level === 1 || state.drivers[index] === level
      ? explain(part.driver, evalContextOf(solution.circuit.inst, placed, solution.situation, energised))
      : [{ kind: 'late', closes: level === 0 }]
  return { at: ref, side, state: level === 2 ? 'passing' : level === 1 ? 'unknown' : 'blocking', because }
}

/** Two poles of one breaker, or two contacts of one device with the same reason, are one gate to a person. */
function withoutTwins(gates: ChainGate[]): ChainGate[] {
  const key = (g: ChainGate) => `${g.at.split('.')[0]}|${g.state}|${JSON.stringify(g.because)}`
  const firsts = new Map<string, ChainGate>()
  for (const gate of gates) {
    const of = key(gate)
    if (!firsts.has(of)) firsts.set(of, { ...gate })
  }
  return [...firsts.values()]
}
