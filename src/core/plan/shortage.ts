import { Circuit } from '../circuit'
import { hasTrait, roleRow, TERMINAL_ROLES, type TerminalRole } from '../equipment'
import { splitRef, terminalOf, type Installation, type Placed, type Ref } from '../installation'
import { joinedByCopper } from '../query'
import { nth } from '../assert'
import { factsOf } from '../rules'
import { callsOf, regionsOf } from '../situation'
import { firstWith, placeOfDevice, term, terms, type Net } from '../wiring'
import { routeConductors, type Routing } from './routing'

/** Remedies for a cable with too few conductors, from the smallest loss to the largest. */
const REMEDIES = ['pair', 'jumperStages', 'noSensor', 'tieFan', 'fanRelay', 'oneStage'] as const
export type Remedy = (typeof REMEDIES)[number]

/** Nets that are not ranked belong to a safety or an interlock, and come with the first. */
const rank = ({ role }: Pick<Net, 'role'>): number => roleRow(role).rank ?? 0
/** Calls that a pair can carry, the most important first. */
const PAIRED: readonly TerminalRole[] = TERMINAL_ROLES.filter(
  (role) => roleRow(role).family && roleRow(role).rank !== undefined,
).sort((a, b) => rank({ role: a }) - rank({ role: b }))

export interface Fitted {
  routing: Routing
  /** Conductors that the cables lack for everything, before anything is given up. */
  lacking: number
  gaveUp: Remedy[]
  /** Functions that get no conductor, or not all the way. */
  notLanded: TerminalRole[]
}

const lacks = ({ short, apart }: Routing): number => short.reduce((sum, s) => sum + s.by, apart.length)

/**
 * Routes nets through the cables that are there. Where they are too few, the remedies are tried from the one that gives up
 * least, each only if it saves a conductor and the solved circuit runs as it should; and what is still left over is taken
 * from the functions that can best be done without. A sensor is landed at both ends or not at all.
 * @param spare relays that the plan has no other use for
 * @param landed the job with a routing landed and its settings made
 */
export function fitConductors(
  inst: Installation,
  nets: readonly Net[],
  spare: readonly Placed[],
  landed: (routing: Routing) => Installation,
): Fitted {
  let routing = routeConductors(inst, nets)
  const lacking = lacks(routing)
  if (!lacking) return { routing, lacking, gaveUp: [], notLanded: [] }
  let now = [...nets].sort((a, b) => rank(a) - rank(b))
  routing = routeConductors(inst, now)
  const gaveUp: Remedy[] = []
  for (const remedy of REMEDIES) {
    if (!lacks(routing)) break
    for (const tried of without(inst, now, remedy, spare)) {
      const next = routeConductors(inst, tried)
      if (lacks(next) >= lacks(routing) || (SOLVED.includes(remedy) && !runsWell(landed(next)))) continue
      ;[now, routing] = [tried, next]
      gaveUp.push(remedy)
      break
    }
  }
  const left = () => {
    const job = { ...inst, wires: routing.wires }
    const joins = ([first, ...rest]: Ref[]) => first && rest.every((p) => joinedByCopper(job, first, p))
    return new Set(now.filter((n) => !joins(n.points)).map((n) => n.role))
  }
  // Backup without air is worse than none: where nothing else starts the blower, G comes before W.
  if (left().has('G') && !runsWell(landed(routing))) {
    const fan = now.filter((n) => n.role === 'G')
    const first = now.findIndex((n) => rank(n) >= rank({ role: 'W1' }))
    const rest = now.filter((n) => n.role !== 'G')
    now = [...rest.slice(0, first), ...fan, ...rest.slice(first)]
    routing = routeConductors(inst, now)
  }
  const open = left()
  // A single conductor of a sensor's pair senses nothing: its place goes to another function, or is a spare.
  if (open.has('S')) {
    const rest = now.filter((n) => n.role !== 'S')
    routing = { ...routeConductors(inst, rest), short: routing.short, apart: routing.apart }
  }
  return { routing, lacking, gaveUp, notLanded: [...open] }
}

/** Remedies that feed a load in another way: only the solved circuit says whether it runs as it should. */
const SOLVED: readonly Remedy[] = ['pair', 'tieFan', 'fanRelay']

/** The nets with one remedy made, in each way in which it can be; none: there is nothing that it would change. */
function without(
  inst: Installation,
  nets: readonly Net[],
  remedy: Remedy,
  [relay]: readonly Placed[],
): Net[][] {
  const isWall = (ref: Ref) => hasTrait(terminalOf(inst, ref)?.placed.device, 'onWall')
  const of = (role: TerminalRole) => nets.find((n) => n.role === role && n.points.some(isWall))
  switch (remedy) {
    case 'pair':
      return pairings(inst, nets)
    case 'jumperStages': {
      const second = of('W2')
      const far = second?.points.find((p) => !isWall(p))
      const first = far && sameDevice(nets.filter((n) => n !== second && ['W1', 'AUX'].includes(n.role)), far, isWall)
      if (!second || !far || !first) return []
      return [nets.map((n) => (n === second ? { role: 'W1', points: [first, far], why: 'jumperW' } : n))]
    }
    case 'noSensor':
      return of('S') ? [nets.filter((n) => n.role !== 'S')] : []
    case 'tieFan':
    case 'fanRelay': {
      const fan = of('G')
      const far = fan?.points.find((p) => !isWall(p))
      const onBoard = (...roles: TerminalRole[]) =>
        far && sameDevice(nets.filter((n) => roles.includes(n.role)), far, isWall)
      const [cool, heat, hot, common] = [onBoard('Y1'), onBoard('W1', 'AUX'), onBoard('R'), onBoard('C')]
      if (!fan || !far || !cool) return []
      const others = nets.filter((n) => n !== fan)
      if (remedy === 'tieFan') return [[...others, { role: 'G', points: [cool, far] }]]
      const [coil, com, no, nc] = terms(relay, 'switch')
      const low = term(relay, 'C')
      if (!coil || !com || !no || !nc || !low || !heat || !hot || !common) return []
      const relayed: Net[] = [
        { role: 'G', points: [far, com], why: 'fanRelay' },
        { role: 'G', points: [cool, nc], why: 'fanRelay' },
        { role: 'R', points: [hot, no], why: 'fanRelay' },
        { role: 'W1', points: [heat, coil], why: 'fanRelay' },
        { role: 'C', points: [common, low] },
      ]
      return [[...others, ...relayed]]
    }
    case 'oneStage':
      return of('Y2') ? [nets.filter((n) => n.role !== 'Y2')] : []
  }
} // prettier-ignore

/**
 * The nets with two calls on one conductor, for each two that the pair can carry: the ones that matter least first. A further
 * bank comes after them: a jumper would spare its conductor anyhow.
 */
function pairings(inst: Installation, nets: readonly Net[]): Net[][] {
  const [sender, receiver] = [firstWith(inst, 'sendsOnPair'), firstWith(inst, 'receivesOnPair')]
  const [from, to] = [term(sender, 'pair'), term(receiver, 'pair')]
  if (!from || !to) return []
  const at = (p: Placed | undefined) => placeOfDevice(p, p?.ref ?? '')
  const isAt = (p: Placed | undefined) => (ref: Ref) => at(terminalOf(inst, ref)?.placed) === at(p)
  /** A net's way from the sender's place to the receiver's. */
  const hop = ({ role, points }: Net) =>
    PAIRED.includes(role)
      ? points.findIndex((p, i) => isAt(sender)(p) && i + 1 < points.length && isAt(receiver)(nth(points, i + 1)))
      : -1
  const isBank = ({ role }: Net) => Number(role === 'W2' || role === 'W3')
  const calls = nets
    .filter((n) => hop(n) >= 0)
    .sort((a, b) => isBank(a) - isBank(b) || rank(b) - rank(a))
  const supply = (role: TerminalRole, p: Placed | undefined): Net[] => {
    const own = term(p, role)
    const near = nets.filter((n) => n.role === role).flatMap((n) => n.points).find(isAt(p))
    return own && near ? [{ role, points: [near, own], why: 'pair' }] : []
  }
  const common: Net[] = [
    { role: 'pair', points: [from, to], why: 'pair' },
    ...[sender, receiver].flatMap((p) => [...supply('R', p), ...supply('C', p)]),
  ]
  const [ins, outs] = [terms(sender, 'switch'), terms(receiver, 'switch')]
  return calls.flatMap((a, i) =>
    calls.slice(i + 1).map((b) => {
      const through = (net: Net, n: number): Net[] => {
        const [way, end] = [hop(net) + 1, [ins[n], outs[n]]]
        const [before, after] = [net.points.slice(0, way), net.points.slice(way)]
        return [
          { ...net, points: [...before, ...(end[0] ? [end[0]] : [])] },
          { ...net, points: [...(end[1] ? [end[1]] : []), ...after] },
        ]
      }
      return [...nets.flatMap((n) => (n === a ? through(n, 0) : n === b ? through(n, 1) : [n])), ...common]
    }),
  )
} // prettier-ignore

/** A point of some net on the device that another point is on. */
const sameDevice = (nets: readonly Net[], at: Ref, isWall: (ref: Ref) => boolean): Ref | undefined =>
  nets
    .flatMap((n) => n.points)
    .find((p) => !isWall(p) && p !== at && splitRef(p).placed === splitRef(at).placed)

/** Whether, in every normal state, the blower runs with strips, a burner or the compressor, and nothing carries too much. */
function runsWell(inst: Installation): boolean {
  const circuit = new Circuit(inst)
  return callsOf(inst).every((call) =>
    regionsOf(inst).every((outdoorF) =>
      circuit.combinationsAt(call, outdoorF).every(({ modes, abnormalCount }) => {
        if (abnormalCount > 1) return true
        const f = factsOf(circuit, circuit.settle({ call, outdoorF, modes }))
        const heats = f.stripsOn.length + f.burnersOn.length > 0 || f.compressor !== null
        return f.over.length === 0 && (!heats || Boolean(f.blower))
      }),
    ),
  )
}
