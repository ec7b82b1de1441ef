import { nth } from '../assert'
import { explain, leaves, type Because, type Truth } from '../equipment'
import { standsAt, type Circuit, type Solution } from '../circuit'
import { makeRef, placedByRef, settingValue, wireRef, type Installation, type Ref } from '../installation'
import { evalContextOf } from '../situation'
import { wiresOf, type Difference, type SettingFix } from '../wiring'
import { noWay, type NoWayBecause } from './noWay'
import { anyPath, closedPath, nameOf, type Path, type Step } from './path'
import { nearestWorld, strayFor, type World } from './world'

export type GateState = 'passing' | 'blocking' | 'unknown' | 'notReached'

/** Reasons that a driver cannot give. */
export type ChainBecause =
  | Because
  | NoWayBecause
  /** No conductor joins two terminals that should be joined; `instead`: the one that belongs at one of them is here. */
  | { kind: 'notJoined'; from: Ref; to: Ref; instead: Ref | null }
  /** Two conductors have changed places: the terminals that each of them joins now, and their ends to be exchanged. */
  | { kind: 'crossed'; one: [Ref, Ref]; other: [Ref, Ref]; at: [Ref, Ref] }
  /** A conductor joins two terminals that should be apart. */
  | { kind: 'extra'; a: Ref; b: Ref }
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
  /** Index of the gate that is the reason, the first that blocks or is unknown; null when none does. */
  first: number | null
  /** Where it runs and should not: the conductors that turn it on. */
  onBy: ChainGate[]
  /** Everything that the path runs through: wires, contacts and terminals, from source to common. */
  route: Ref[]
}

/**
 * The gate chain of a load: the way of its current in the nearest state in which it runs, with every gate as it stands now;
 * before each contact that a coil drives, that coil's own chain; before a transformer's secondary, what feeds its primary.
 * @param target reference of a load part, such as "kit.row2"; anything else gives a chain that is not wired
 */
export function gateChain(solution: Solution, target: Ref): GateChain {
  const load = solution.circuit.net.loads.find((l) => l.ref === target)
  const on = solution.energised(target)
  const world: World | null = on
    ? { solution, differences: [], settings: [], asWired: null }
    : nearestWorld(solution, target, (there, differences) =>
        differencesOnWay(solution, there, differences, target),
      )
  let tracing = asWired(solution, world, target) ?? new Tracing(solution, world)
  if (!load) tracing.gates.push(notWired(target))
  else if (!tracing.gates.length && !(world && tracing.load(target, 'line'))) {
    tracing = new Tracing(solution, null)
    tracing.nothing(target, on)
  }
  tracing.rest()
  const gates = withoutTwins(on ? onlyPassing(tracing.gates, target) : tracing.gates)
  const first = on ? -1 : firstOf(gates)
  for (const g of first < 0 ? [] : gates.slice(first + 1))
    if (g.state === 'blocking' && g.because.every((b) => b.kind === 'energised')) g.state = 'notReached'
  const onlyUnknown = first >= 0 && gates.every((g) => g.state !== 'blocking')
  return {
    target,
    running: on ? 'yes' : onlyUnknown ? 'unknown' : 'no',
    gates,
    first: first < 0 ? null : first,
    onBy: on ? strayFor(solution, target).map((d) => differenceGate(d, 'control', null, null)) : [],
    route: [...new Set(tracing.route)],
  }
}

/** Of some differences, those whose conductors the current of a load takes where it runs. */
function differencesOnWay(
  now: Solution,
  there: Solution,
  differences: readonly Difference[],
  target: Ref,
): Difference[] {
  const tracing = new Tracing(now, { solution: there, differences, settings: [], asWired: null })
  tracing.load(target, 'line')
  return differences.filter((d) => tracing.said.has(d))
}

/**
 * The way as wired, where a contact that should not be on it waits for other weather: that is what holds the load, and the
 * conductor that would lead past it is told with it.
 */
function asWired(solution: Solution, world: World | null, target: Ref): Tracing | null {
  if (!world?.asWired) return null
  const tracing = new Tracing(solution, { ...world, solution: world.asWired, asWired: null }, true)
  tracing.load(target, 'line')
  const open = tracing.gates.filter((g) => g.state === 'blocking')
  const waits = (g: ChainGate) => {
    const contact = solution.circuit.net.contacts[solution.circuit.net.contactIndex.get(g.at) ?? -1]
    return contact !== undefined && !leaves(contact.part.driver).some((l) => 'call' in l)
  }
  return open.length && open.every(waits) ? tracing : null
}

/** The gate chain of a target, worked out once for a solution however many places of the screen show it. */
export function chainOf(solution: Solution, target: Ref): GateChain {
  const known = solution.cache.once(chainsKnown)
  const chain = known.get(target) ?? gateChain(solution, target)
  known.set(target, chain)
  return chain
}
const chainsKnown = () => new Map<Ref, GateChain>()

const notWired = (at: Ref): ChainGate => ({
  at,
  side: 'line',
  state: 'blocking',
  because: [{ kind: 'notWired', last: null }],
})

/** A contact that only follows a coil which is out is no reason by itself, where something else on the way is one. */
function firstOf(gates: readonly ChainGate[]): number {
  const follows = (g: ChainGate) =>
    g.because.length > 0 && g.because.every((b) => b.kind === 'energised' && !b.negated)
  const own = gates.findIndex((g) => g.state !== 'passing' && !follows(g))
  return own >= 0 ? own : gates.findIndex((g) => g.state !== 'passing')
}

/** The chain of a load that is on shows nothing that blocks it: what does not pass is not its way. */
function onlyPassing(gates: readonly ChainGate[], target: Ref): ChainGate[] {
  const passing = gates.filter((g) => g.state === 'passing')
  if (passing.length === gates.length && passing.length) return passing
  return [...passing, { at: target, side: 'line', state: 'passing', because: [{ kind: 'otherWay' }] }]
}

/** Follows the current of a load, and of the coils that drive it, and notes every gate on the way. */
class Tracing {
  readonly gates: ChainGate[] = []
  readonly route: Ref[] = []
  private readonly seen = new Set<Ref>()
  /** Differences by the conductor that each is about. */
  private readonly wrong = new Map<Ref, Difference>()
  /** Differences that the way has come to. */
  readonly said = new Set<Difference>()

  constructor(
    private readonly now: Solution,
    private readonly world: World | null,
    /** By the wiring as it is nothing on the way is wrong in itself. */
    private readonly isAsWired = false,
  ) {
    for (const d of (!isAsWired && world?.differences) || [])
      for (const id of wiresOf(d)) this.wrong.set(wireRef(id), d)
  }

  /** A load's own chain; false where closed contacts make no way to it. */
  load(ref: Ref, side: 'control' | 'line'): boolean {
    if (this.seen.has(ref) || !this.world) return true
    this.seen.add(ref)
    const { solution } = this.world
    const load = solution.circuit.net.loads.find((l) => l.ref === ref)
    if (!load) return true
    const own = load.part.volts < 50 ? 'control' : side
    return this.ends(load, load.pullIn, own, ref)
  }

  private ends(part: { a: number; b: number }, needs: number, side: ChainGate['side'], ref: Ref): boolean {
    if (!this.world) return false
    const { solution } = this.world
    const path = closedPath(solution, part, needs) ?? closedPath(solution, part, 0)
    if (!path) return false
    this.follow(solution, path, side, ref)
    return true
  }

  /** Where no state was found in which it runs: the way with the fewest open contacts, or why there is none. */
  nothing(ref: Ref, on: boolean): void {
    const { net } = this.now.circuit
    const load = net.loads.find((l) => l.ref === ref)
    if (!load || on || this.seen.has(ref)) return
    this.seen.add(ref)
    const from = this.gates.length
    const side = load.part.volts < 50 ? 'control' : 'line'
    const path = anyPath(this.now, load, load.pullIn)
    const none = noWay(this.now, load)
    if (path && !(none && path.open > 0)) this.follow(this.now, path, side, ref)
    if (this.gates.slice(from).some((g) => g.state !== 'passing')) return
    if (none) this.gates.push({ at: none.at ?? ref, side, state: 'blocking', because: [none.because] })
    else {
      const volts = this.now.volts(nameOf(net, load.a) ?? ref, nameOf(net, load.b) ?? ref)
      this.gates.push({
        at: ref,
        side,
        state: 'blocking',
        because: [{ kind: 'volts', volts, needs: load.pullIn }],
      })
    }
  }

  private follow(solution: Solution, path: Path, side: ChainGate['side'], ref: Ref): void {
    const { net } = solution.circuit
    if (path.poles.transformer !== null) {
      const t = nth(net.transformers, path.poles.transformer)
      if (!this.seen.has(t.ref)) {
        this.seen.add(t.ref)
        this.ends(t, 0.5 * (t.part.noLoadVolts / t.ratio), 'supply', t.ref)
      }
    }
    // Found from the load's end outward; current meets them in the reverse order.
    const nodes = [path.ends[0], ...path.hot.map((s) => s.node)]
    const hot = path.hot.map((s, i) => ({ ...s, node: nth(nodes, i), from: s.node })).reverse()
    for (const s of hot) this.step(solution, s, s.from, side)
    this.route.push(ref)
    let from = path.ends[1]
    for (const s of path.cold) {
      // A common is named from its supply.
      this.step(solution, s, s.node, side, from)
      from = s.node
    }
  }

  private step(
    solution: Solution,
    step: Step,
    upstream: number,
    side: ChainGate['side'],
    other = step.node,
  ): void {
    const { net } = solution.circuit
    if (step.contact !== null) {
      // Where no state is known in which the load runs, a coil that is out is asked about in the same way.
      for (const coil of coilsOf(solution, step.contact, this.world ? 'yes' : 'no'))
        if (this.world) this.load(coil, 'control')
        else this.nothing(coil, false)
      this.gates.push(gateAt(this.now, step.contact, side))
    }
    const wrong = this.wrong.get(step.branch)
    if (wrong && !this.said.has(wrong)) {
      this.said.add(wrong)
      this.gates.push(differenceGate(wrong, side, nameOf(net, upstream), nameOf(net, other)))
    }
    // A conductor that is missing is nowhere to be shown.
    if (wrong?.kind !== 'missing') this.route.push(step.branch)
    const name = nameOf(net, step.node)
    if (name) this.route.push(name)
  }

  /** Differences that are not on the way itself, and come before it: a short, what holds an interlock open. */
  rest(): void {
    const off = (this.world?.differences ?? []).filter((d) => !this.said.has(d))
    const held = this.gates.find((g) => g.state !== 'passing')
    // A coil that is in and should not be: its contact is what holds the load, and the conductor is why the coil is in.
    const byCoil = held?.because.some((b) => b.kind === 'energised' && b.negated && b.truth === 'yes')
    if (held && (this.isAsWired || byCoil)) {
      held.because.push(...off.flatMap((d) => differenceGate(d, 'control', null, null).because))
      return
    }
    const settings = (this.world?.settings ?? []).map((s) => settingGate(this.now.circuit.inst, s))
    this.gates.unshift(...settings, ...off.map((d) => differenceGate(d, 'control', null, null)))
  }
}

/** A difference as a gate of the chain; `up` and `down` are the ends of its conductor, seen from the supply. */
function differenceGate(d: Difference, side: ChainGate['side'], up: Ref | null, down: Ref | null): ChainGate {
  const gate = (at: Ref, because: ChainBecause): ChainGate => ({
    at,
    side,
    state: 'blocking',
    because: [because],
  })
  switch (d.kind) {
    case 'missing': {
      const [from, to] = up === d.to ? [d.to, d.from] : [d.from, d.to]
      return gate(from, { kind: 'notJoined', from, to, instead: null })
    }
    case 'moved': {
      const [first, last] = d.joins
      const [from, to] = up === last || down === first ? [last, first] : d.joins
      return gate(from, { kind: 'notJoined', from, to, instead: d.from })
    }
    case 'crossed':
      return gate(d.one[d.ends[0]], {
        kind: 'crossed',
        one: [d.one.a, d.one.b],
        other: [d.other.a, d.other.b],
        at: [d.one[d.ends[0]], d.other[d.ends[1]]],
      })
    case 'extra':
      return gate(d.wire.a, { kind: 'extra', a: d.wire.a, b: d.wire.b })
  }
}

/** A setting that has to be another one, as a gate. */
function settingGate(inst: Installation, { placed, setting, value: wanted }: SettingFix): ChainGate {
  const at = makeRef(placed, setting)
  const there = placedByRef(inst, placed)
  const value = there ? settingValue(there, setting) : null
  return {
    at,
    side: 'control',
    state: 'blocking',
    because: [{ kind: 'set', setting, value, wants: [wanted], truth: 'yes', negated: true }],
  }
}

const decidersKnown = () => new Map<number, Because[]>()
/** The leaves that decide a contact's answer, worked out once for a solution. */
function decidersOf(solution: Solution, index: number): readonly Because[] {
  const known = solution.cache.once(decidersKnown)
  let deciders = known.get(index)
  if (!deciders) {
    const { placed, part } = nth(solution.circuit.net.contacts, index)
    const energised = (id: string): Truth => (solution.energised(makeRef(placed.ref, id)) ? 'yes' : 'no')
    const context = evalContextOf(solution.circuit.inst, placed, solution.situation, energised)
    deciders = explain(part.driver, context)
    known.set(index, deciders)
  }
  return deciders
}

/** By contact: whether a coil of its own device moves it. */
const movedByCoil = ({ net }: Circuit): boolean[] =>
  net.contacts.map(({ part }) => leaves(part.driver).some((l) => 'energised' in l))

/** Coils of a contact's own device that hold it closed because they are in, or leave it open because they are out. */
function coilsOf(solution: Solution, index: number, isIn: 'yes' | 'no'): Ref[] {
  if (!solution.circuit.cache.once(movedByCoil)[index]) return []
  const { placed } = nth(solution.circuit.net.contacts, index)
  return decidersOf(solution, index).flatMap((b) =>
    b.kind === 'energised' && b.truth === isIn && !b.negated ? [makeRef(placed.ref, b.part)] : [],
  )
}

function gateAt(solution: Solution, index: number, side: ChainGate['side']): ChainGate {
  const { ref } = nth(solution.circuit.net.contacts, index)
  const { state } = solution
  const level = standsAt(state, index)
  // What its driver says is no reason while it has not followed yet.
  const because: ChainBecause[] =
    level === 1 || state.drivers[index] === level
      ? [...decidersOf(solution, index)]
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
