import { nth, mustGet } from '../assert'
import { roleRow, TERMINAL_ROLES } from '../equipment'
import {
  placedByRef,
  splitRef,
  type Cable,
  type Installation,
  type Placed,
  type Ref,
  type Wire,
} from '../installation'
import { joined } from './compare'
import { isLandedWire, placeOfDevice, type Net, type PlanWhy } from '../wiring'
import { Splices } from './splices'

export interface Routing {
  wires: Wire[]
  /** Splices that the landing needs where a conductor passes a place without a terminal for it. */
  splices: Placed[]
  /** Cables with too few conductors, and by how many. */
  short: { cable: string; by: number }[]
  /** Two places that should share a conductor, and no cable joins them, not by way of a third either. */
  apart: [place: string, place: string][]
  spares: { cable: string; left: number }[]
  reasons: { wire: string; why: PlanWhy }[]
}

/**
 * Lays nets conductor by conductor through the cables that are there. Line conductors and harnesses stay as they are; so
 * does a conductor that joins two points of the plan already, whatever its colour.
 */
export function routeConductors(inst: Installation, nets: readonly Net[]): Routing {
  const routing = routeOnce(inst, nets, new Map())
  const wanted = new Set(routing.wires.filter(isLandedWire).map(joined))
  const low = lowCables(inst)
  const right = new Map<string, Wire>()
  for (const w of inst.wires) {
    if (w.cable === null || !low.has(w.cable) || !isLandedWire(w)) continue
    if (wanted.has(joined(w)) && !right.has(joined(w))) right.set(joined(w), w)
  }
  return right.size ? routeOnce(inst, nets, right) : routing
}

const lowCables = (inst: Installation): Set<string> =>
  new Set(inst.cables.filter((c) => c.kind === 'low').map((c) => c.id))

/** @param right conductors that stay, by what they join */
function routeOnce(inst: Installation, nets: readonly Net[], right: ReadonlyMap<string, Wire>): Routing {
  const low = lowCables(inst)
  const others = inst.wires.filter((w) => w.cable !== null && !low.has(w.cable))
  const staying = new Set(right.values())
  const free = new Map<string, Wire[]>()
  for (const id of low)
    free.set(
      id,
      inst.wires.filter((w) => w.cable === id && !staying.has(w)),
    )
  const splices = new Splices(inst)
  const made: Wire[] = []
  const routing: Routing = { wires: [], splices: splices.made, short: [], apart: [], spares: [], reasons: [] }
  const short = new Map<string, number>()
  let jumpers = 0
  const where = (ref: Ref): string => {
    const { placed } = splitRef(ref)
    const own = splices.made.find((s) => s.ref === placed)
    return own?.where ?? placeOfDevice(placedByRef(inst, placed), placed)
  }
  const note = (wire: string, why: PlanWhy | undefined) => why && routing.reasons.push({ wire, why })

  const join = (a: Ref, b: Ref, net: Net): void => {
    if (where(a) === where(b)) {
      const id = `plan-j${++jumpers}`
      made.push({ id, cable: null, colour: roleRow(net.role).colours?.[0] ?? 'white', a, b, feet: 1 })
      note(id, net.why)
      return
    }
    const cables = cablesBetween(inst, where(a), where(b))
    if (!cables.length) {
      const middle = middlePlace(inst, where(a), where(b))
      if (!middle) {
        routing.apart.push([where(a), where(b)])
        return
      }
      const point = splices.pointAt(middle, net)
      join(a, point, net)
      join(point, b, net)
      return
    }
    const there = right.get(joined({ a, b }))
    if (there) {
      staying.delete(there)
      const { doubt: _, ...rest } = there
      made.push(rest)
      note(there.id, net.why)
      return
    }
    // A cable keeps a spare as long as another has more than that.
    const left = (c: Cable) =>
      mustGet(free, c.id).length + [...staying].filter((w) => w.cable === c.id).length
    const cable = cables.find((c) => left(c) > 1) ?? cables.find((c) => left(c) > 0) ?? nth(cables, 0)
    const wire = take(mustGet(free, cable.id), net)
    if (!wire) {
      short.set(cable.id, (short.get(cable.id) ?? 0) + 1)
      return
    }
    const forward = where(a) === placeOfDevice(placedByRef(inst, cable.from), cable.from)
    const { doubt: _, ...rest } = wire
    made.push({ ...rest, a: forward ? a : b, b: forward ? b : a })
    note(wire.id, net.why)
  }

  for (const net of nets)
    for (let i = 0; i + 1 < net.points.length; i++) join(nth(net.points, i), nth(net.points, i + 1), net)
  for (const [cable, list] of free) routing.spares.push({ cable, left: list.length })
  routing.short = [...short].map(([cable, by]) => ({ cable, by }))
  const spare = [...free.values(), [...staying]].flat().map((w) => ({ ...w, a: null, b: null }))
  const order = new Map(inst.wires.map((w, i) => [w.id, i]))
  const at = (w: Wire) => order.get(w.id) ?? inst.wires.length
  routing.wires = [...others, ...made, ...spare].sort((x, y) => at(x) - at(y))
  return routing
}

/** Takes the conductor of the customary colour out of the free ones, else one whose colour means nothing here. */
function take(free: Wire[], net: Net): Wire | undefined {
  const custom = roleRow(net.role).colours ?? []
  const other = new Set(TERMINAL_ROLES.map((role) => roleRow(role).colours?.[0]))
  const score = (w: Wire) => {
    const i = custom.indexOf(w.colour)
    return i >= 0 ? i : other.has(w.colour) ? 20 : 10
  }
  const best = [...free].sort((a, b) => score(a) - score(b))[0]
  if (best) free.splice(free.indexOf(best), 1)
  return best
}

function ends(inst: Installation, cable: Cable): [string, string] {
  return [
    placeOfDevice(placedByRef(inst, cable.from), cable.from),
    placeOfDevice(placedByRef(inst, cable.to), cable.to),
  ]
}

function cablesBetween(inst: Installation, a: string, b: string): Cable[] {
  return inst.cables.filter((c) => {
    const own = ends(inst, c)
    return c.kind === 'low' && own.includes(a) && own.includes(b) && a !== b
  })
}

/** A place that has a cable to both. */
function middlePlace(inst: Installation, a: string, b: string): string | undefined {
  const places = new Set(inst.cables.filter((c) => c.kind === 'low').flatMap((c) => ends(inst, c)))
  return [...places].find((p) => cablesBetween(inst, a, p).length && cablesBetween(inst, p, b).length)
}
