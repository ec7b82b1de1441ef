import { nth } from '../assert'
import { explain, type Expr, type Truth } from '../equipment'
import { GROUND, standsAt, type Solution } from '../circuit'
import { makeRef, type Ref } from '../installation'
import { evalContextOf } from '../situation'
import { isCalled, isLostRelay, notJoined } from './called'
import { isCaller, isOnCaller, terminalAt, type Families } from './calls'
import { layoutOf, tiedTo, type Step } from './layout'
import { polesOf, type Poles } from './poles'
import { EVENT, farFromClosing, OPEN, openPrices } from './prices'
import {
  deadCallerAmong,
  deadOnWay,
  endAstray,
  meantContacts,
  tiedWithoutVolts,
  unfedTerminal,
  type NoVolts,
} from './ties'

/** The cheapest way from a node to every other node, never through a load or a source. */
export interface Reach {
  /** Cost by node (the last entry is earth's); Infinity where there is no way. */
  cost: Float64Array
  /** For each node reached, the step that led there and the node it came from. */
  back: ({ from: number; step: Step } | undefined)[]
}

/** What a search of one solution needs again and again. */
interface Searched {
  prices: Float64Array
  reaches: Map<number, Reach>
  /** What stands at each pole. */
  rails: Map<number, ReadonlySet<number>>
  /** What the coils looked at so far would cost. */
  coils: Map<Ref, number>
  /** The coils behind open contacts have been looked at, or are being: that itself asks for ways. */
  begun: boolean
}
const newSearch = (solution: Solution): Searched => ({
  prices: openPrices(solution),
  reaches: new Map(),
  rails: new Map(),
  coils: new Map(),
  begun: false,
})

/** Price of a coil that no way from any supply reaches: more than any way through open contacts. */
const NO_WAY = 100 * OPEN

/**
 * Works out a part of what every chain of a solution needs, for whoever has time before the first is asked for.
 * @param most coils looked at in this part
 * @returns whether there is more of it
 */
export function prepareChains(solution: Solution, most: number): boolean {
  const s = solution.cache.once(newSearch)
  if (s.begun) return false
  const open = solution.circuit.net.contacts.flatMap((_, i) => (s.prices[i] ? coilsBehind(solution, i) : []))
  const left = [...new Set(open)].filter((coil) => !s.coils.has(coil))
  s.begun = true
  for (const coil of left.slice(0, most)) s.coils.set(coil, coilPrice(solution, coil))
  s.begun = false
  if (left.length > most) return true
  searchOf(solution)
  return false
}

/** What a search of one solution needs; contacts that are open cost one each until the coils behind them are looked at. */
function searchOf(solution: Solution): Searched {
  const s = solution.cache.once(newSearch)
  if (!s.begun) {
    s.begun = true
    const { contacts } = solution.circuit.net
    const dearer = s.prices.slice()
    contacts.forEach((_, i) => {
      if (!s.prices[i]) return
      const prices = coilsBehind(solution, i).map((coil) => {
        const price = s.coils.get(coil) ?? coilPrice(solution, coil)
        s.coils.set(coil, price)
        return price
      })
      const least = Math.min(...prices)
      if (prices.length && !(least > 0 && closesWithoutCoil(solution, i))) dearer[i] = nth(dearer, i) + least
    })
    s.prices = dearer
    s.reaches.clear()
  }
  return s
}

/**
 * What it would take to close a coil's own circuit: the open contacts on its way. One that only a missing or a wrong
 * conductor keeps from its volts costs nothing: it is what somebody meant to close.
 */
function coilPrice(solution: Solution, coil: Ref): number {
  const load = solution.circuit.net.loads.find((l) => l.ref === coil)
  if (!load || tiedWithoutVolts(solution, load.a, load.b)) return 0
  const way = wayTo(solution, load.a, load.b, load.pullIn)
  if (way) return whyNoWay(solution, way, true) ? 0 : way.price
  // A thermostat's own electronics are meant to be on always.
  const ends = [load.a, load.b]
  const isMeant = load.part.does?.what === 'control' || isCalled(solution, ends)
  return isMeant || isLostRelay(solution, ends) || isWithoutCommon(solution, coil, ends) ? 0 : NO_WAY
}

/** Whether a coil of a device that passes calls on lacks but the device's common: all of it is dead for that. */
function isWithoutCommon(solution: Solution, coil: Ref, ends: readonly number[]): boolean {
  const common = ends.find((n) => terminalAt(solution, n)?.role === 'C')
  if (common === undefined || !isOnCaller(solution, coil)) return false
  const reach = reachFrom(solution, common)
  return polesOf(solution).every((p) => Math.min(costOf(reach, p.hot), costOf(reach, p.cold)) >= OPEN)
}

/**
 * Why the nearest way is none: it leads through an R that is dead, or (to a coil) past the output that the call closes.
 * Null where the way is the one that is meant.
 */
export function whyNoWay(
  solution: Solution,
  way: Way,
  isCoil: boolean,
  families: Families = null,
): NoVolts | null {
  // Open for want of what no call brings.
  const isMoot = (contact: number | null | undefined): boolean =>
    typeof contact === 'number' && nth(openPrices(solution), contact) >= OPEN + 1000 * EVENT
  const nodes = [way.ends[0], ...way.hot.map((s) => s.node)]
  const points = nodes.flatMap((node, i) =>
    node === GROUND ? [] : [{ node, mootAfter: isMoot(way.hot[i]?.contact) }],
  )
  const dead =
    deadOnWay(solution, points) ??
    (points.some((p) => p.mootAfter) ? deadCaller(solution, nth(way.ends, 0)) : null)
  if (dead || !isCoil) return dead
  const astray = endAstray(solution, way)
  if (astray) return { at: astray, because: { kind: 'notWired', last: astray } }
  const open = way.hot.flatMap(({ contact }) =>
    contact === null ? [] : [{ contact, isMoot: isMoot(contact) }],
  )
  return notJoined(solution, way.ends[0], way.ends[1], open, families)
}

/** Nearer than what no call brings: a caller whose own R is dead, so that nothing it might call would come. */
function deadCaller(solution: Solution, end: number): NoVolts | null {
  const reach = reachFrom(solution, end)
  const near = solution.circuit.net.nodes.flatMap((ref, i) =>
    isOnCaller(solution, ref) && costOf(reach, i) < OPEN + 1000 * EVENT ? [i] : [],
  )
  return unfedTerminal(solution, near) ?? deadCallerAmong(solution, near)
}

/** Of the coils that a contact waits for, the one that is nearest to its volts: whose chain is worth showing. */
export function coilToFollow(solution: Solution, contact: number): Ref | null {
  const coils = coilsBehind(solution, contact)
  const prices = coils.map((coil) => (solution.energised(coil) ? 0 : coilPrice(solution, coil)))
  const least = Math.min(...prices)
  const coil = coils[prices.indexOf(least)] ?? null
  return least > 0 && closesWithoutCoil(solution, contact) && !isAskedFor(solution, coil) ? null : coil
}

/** Whether the call closes an output that a coil hangs on, and only the thermostat's own want of power keeps it open. */
function isAskedFor(solution: Solution, coil: Ref | null): boolean {
  const { contacts, loads } = solution.circuit.net
  const load = loads.find((l) => l.ref === coil)
  if (!load) return false
  const tied = [load.a, load.b].flatMap((n) => (n === GROUND ? [] : [...tiedTo(solution, n, () => false)]))
  return contacts.some(
    (c, i) =>
      nth(meantContacts(solution), i) && [c.a, c.b].some((n) => tied.includes(n)) && isCaller(solution, i),
  )
}

/** Whether a contact has another way to close than by a coil that is out, such as by the weather. */
function closesWithoutCoil(solution: Solution, index: number): boolean {
  const { placed, part } = nth(solution.circuit.net.contacts, index)
  const energised = (id: string): Truth => (solution.energised(`${placed.ref}.${id}`) ? 'yes' : 'no')
  const context = evalContextOf(solution.circuit.inst, placed, solution.situation, energised)
  return farFromClosing(part.driver, context, placed.device, EVENT) < EVENT
}

/** Cost of reaching a node; earth included. */
export const costOf = (reach: Reach, node: number): number =>
  nth(reach.cost, node === GROUND ? reach.cost.length - 1 : node)

/**
 * Ways out of `start`, cheapest first: fewest open contacts; among equals the ones nearest to closing in this
 * situation (a contact that waits for another temperature before one that waits for another call); then the shortest.
 */
export function reachFrom(solution: Solution, start: number): Reach {
  const { reaches } = searchOf(solution)
  const reach = reaches.get(start) ?? search(solution, start, null)
  reaches.set(start, reach)
  return reach
}

/** @param shut nodes that no way may lead into; the start itself may be one of them */
function search(solution: Solution, start: number, shut: ReadonlySet<number> | null): Reach {
  const { prices } = searchOf(solution)
  const { net } = solution.circuit
  const size = net.nodes.length + 1
  const place = (node: number) => (node === GROUND ? size - 1 : node)
  const reach: Reach = {
    cost: new Float64Array(size).fill(Infinity),
    back: new Array<Reach['back'][number]>(size),
  }
  const { around } = layoutOf(solution)
  reach.cost[place(start)] = 0
  // Reached, and not gone on from yet: few at a time.
  const edge = new Set([place(start)])
  while (edge.size) {
    let at = -1
    let least = Infinity
    for (const i of edge) {
      const cost = nth(reach.cost, i)
      if (cost < least || (cost === least && i < at)) [at, least] = [i, cost]
    }
    edge.delete(at)
    // Earth is a bond between things, but never a way from one device to the next on these circuits.
    if (at === size - 1 && start !== GROUND) continue
    const from = at === size - 1 ? GROUND : at
    for (const step of around.get(from) ?? []) {
      const price = least + 1 + (step.contact === null ? 0 : nth(prices, step.contact))
      if (shut?.has(step.node)) continue
      const to = place(step.node)
      if (price < nth(reach.cost, to)) {
        reach.cost[to] = price
        reach.back[to] = { from, step }
        edge.add(to)
      }
    }
  }
  return reach
}

/** The steps from the reach's start to `node`, in order; null when there is no way. */
function stepsTo(reach: Reach, node: number): Step[] | null {
  if (costOf(reach, node) === Infinity) return null
  const steps: Step[] = []
  for (let at = node; ;) {
    const b = reach.back[at === GROUND ? reach.back.length - 1 : at]
    if (!b) return steps.reverse()
    steps.push(b.step)
    at = b.from
  }
}

/** What stands at a pole now: every node that closed contacts and wires join to it. */
function railOf(solution: Solution, pole: number): ReadonlySet<number> {
  const { rails } = searchOf(solution)
  const known = rails.get(pole)
  if (known) return known
  const reach = reachFrom(solution, pole)
  const rail = new Set(solution.circuit.net.nodes.flatMap((_, i) => (costOf(reach, i) < OPEN ? [i] : [])))
  rails.set(pole, rail)
  return rail
}

/**
 * A way to one pole that does not lead over the other: closed, that one would be a short, and feeds nothing. Where the
 * cheapest does, the cheapest that does not; null where there is none.
 */
function apart(
  solution: Solution,
  steps: Step[] | null,
  from: number,
  to: number,
  other: number,
): Step[] | null {
  if (!steps) return null
  const rail = railOf(solution, other)
  return steps.some((s) => rail.has(s.node)) ? stepsTo(search(solution, from, rail), to) : steps
}

export interface Way {
  /** Cost of both sides together. */
  price: number
  poles: Poles
  hot: Step[]
  cold: Step[]
  /** The load's ends, hot one first. */
  ends: [number, number]
}

/** The cheapest way from a source to both ends of a two-ended thing; null when some end reaches none. */
export function wayTo(solution: Solution, a: number, b: number, needs: number): Way | null {
  const [reachA, reachB] = [reachFrom(solution, a), reachFrom(solution, b)]
  let best: Way | null = null
  let least = Infinity
  for (const poles of polesOf(solution)) {
    if (poles.volts < needs) continue
    for (const [p, q, flipped] of [
      [poles.hot, poles.cold, false],
      [poles.cold, poles.hot, true],
    ] as const) {
      const price = costOf(reachA, p) + costOf(reachB, q)
      if (price >= least) continue
      const toA = apart(solution, stepsTo(reachA, p), a, p, q)
      const toB = apart(solution, stepsTo(reachB, q), b, q, p)
      if (!toA || !toB) continue
      least = price
      best = {
        price,
        poles,
        hot: flipped ? toB : toA,
        cold: flipped ? toA : toB,
        ends: flipped ? [b, a] : [a, b],
      }
    }
  }
  return best
}

/**
 * Where the wiring of a supply ends, if the only way to it waits for coils that the supply itself would have to feed: no
 * such way ever begins. The end by its node; null where the way is a true one.
 */
export function feedsOnItself(solution: Solution, way: Way, transformer: number): number | null {
  const { loads } = solution.circuit.net
  const isOwn = (coil: Ref) => {
    const load = loads.find((l) => l.ref === coil)
    return (
      load !== undefined && wayTo(solution, load.a, load.b, load.pullIn)?.poles.transformer === transformer
    )
  }
  const waits = ({ contact }: Step) => {
    if (contact === null || solution.state.closed[contact] === 1) return false
    const coils = coilsBehind(solution, contact)
    return coils.length > 0 && coils.every(isOwn)
  }
  if (way.hot.some(waits)) return way.ends[0]
  return way.cold.some(waits) ? way.ends[1] : null
}

/**
 * Coils of the contact's own device that its driver looks at now and that must be in for it to close: what waits for a
 * coil to let go has no chain of that coil's to show.
 */
function coilsBehind(solution: Solution, index: number): Ref[] {
  const { placed, part } = nth(solution.circuit.net.contacts, index)
  const energised = (id: string): Truth => (solution.energised(`${placed.ref}.${id}`) ? 'yes' : 'no')
  const deciding = explain(
    part.driver,
    evalContextOf(solution.circuit.inst, placed, solution.situation, energised),
  ).filter((b) => b.kind === 'energised')
  const named = deciding.flatMap((b) => (b.negated ? [] : [b.part]))
  // A contact that something else closes waits for no coil; one that something else holds open may wait for one too.
  const passing = standsAt(solution.state, index) === 2
  const ids = deciding.length || passing ? named : coilsNamed(part.driver)
  return ids.map((id) => makeRef(placed.ref, id))
}

/** Coils that an expression names outside of a "not". */
function coilsNamed(driver: Expr): string[] {
  if ('all' in driver) return driver.all.flatMap(coilsNamed)
  if ('any' in driver) return driver.any.flatMap(coilsNamed)
  return 'energised' in driver ? [driver.energised] : []
}
