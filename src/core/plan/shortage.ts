import { Circuit } from '../circuit'
import type { TerminalRole } from '../equipment'
import { splitRef, terminalOf, type Installation, type Ref } from '../installation'
import { joinedByCopper } from '../query'
import { factsOf } from '../rules'
import { callsOf, regionsOf } from '../situation'
import type { Net } from './net'
import { routeConductors, type Routing } from './routing'

/** What a landing gives up where a cable has too few conductors, from the least to the most. */
const REMEDIES = ['jumperStages', 'noSensor', 'tieFan', 'oneStage'] as const
export type Remedy = (typeof REMEDIES)[number]

/**
 * Functions in the order in which they get conductors: without the first ones nothing heats or cools as it should, the last
 * ones can be done without. A sensor comes last: it can be had without wires.
 */
const FIRST: readonly TerminalRole[] = [
  'R', 'C', 'bus', 'Y1', 'OB', 'O', 'B', 'W1', 'AUX', 'LEAK', 'E', 'G', 'W2', 'W3', 'Y2', 'S',
] // prettier-ignore
/** What is not among them is part of a safety or an interlock, and comes with the first. */
const rank = ({ role }: Net): number => Math.max(0, FIRST.indexOf(role))

export interface Fitted {
  routing: Routing
  /** Conductors that the cables lack for everything, before anything is given up. */
  lacking: number
  gaveUp: Remedy[]
  /** Functions that get no conductor, or not all the way. */
  notLanded: TerminalRole[]
}

const lacks = ({ short }: Routing): number => short.reduce((sum, s) => sum + s.by, 0)

/**
 * Routes nets through the cables that are there. Where they are too few, the remedies are tried from the one that gives up
 * least, each only if it saves a conductor and the solved circuit keeps its blower; and what is still left over is taken
 * from the functions that can best be done without. A sensor is landed at both ends or not at all.
 * @param landed the job with a routing landed and its settings made
 */
export function fitConductors(
  inst: Installation,
  nets: readonly Net[],
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
    const tried = without(inst, now, remedy)
    if (!tried) continue
    const next = routeConductors(inst, tried)
    if (lacks(next) >= lacks(routing) || (remedy === 'tieFan' && !blows(landed(next)))) continue
    ;[now, routing] = [tried, next]
    gaveUp.push(remedy)
  }
  const left = () => {
    const job = { ...inst, wires: routing.wires }
    const joins = ([first, ...rest]: Ref[]) => first && rest.every((p) => joinedByCopper(job, first, p))
    return new Set(now.filter((n) => !joins(n.points)).map((n) => n.role))
  }
  // Backup without air is worse than none: where nothing else starts the blower, G comes before W.
  if (left().has('G') && !blows(landed(routing))) {
    const fan = now.filter((n) => n.role === 'G')
    const first = now.findIndex((n) => FIRST.indexOf(n.role) >= FIRST.indexOf('W1'))
    const rest = now.filter((n) => n.role !== 'G')
    now = [...rest.slice(0, first), ...fan, ...rest.slice(first)]
    routing = routeConductors(inst, now)
  }
  const open = left()
  // One conductor of a sensor's pair senses nothing: the place is another function's, or a spare.
  if (open.has('S')) {
    const rest = now.filter((n) => n.role !== 'S')
    routing = { ...routeConductors(inst, rest), short: routing.short }
  }
  return { routing, lacking, gaveUp, notLanded: [...open] }
}

/** The nets with one remedy made; null: there is nothing that it would change. */
function without(inst: Installation, nets: readonly Net[], remedy: Remedy): Net[] | null {
  const isWall = (ref: Ref) => terminalOf(inst, ref)?.placed.device.kind === 'thermostat'
  const of = (role: TerminalRole) => nets.find((n) => n.role === role && n.points.some(isWall))
  switch (remedy) {
    case 'jumperStages': {
      const second = of('W2')
      const far = second?.points.find((p) => !isWall(p))
      const first = far && sameDevice(nets.filter((n) => n !== second && ['W1', 'AUX'].includes(n.role)), far, isWall)
      if (!second || !far || !first) return null
      return nets.map((n) => (n === second ? { role: 'W1', points: [first, far], why: 'jumperW' } : n))
    }
    case 'noSensor':
      return of('S') ? nets.filter((n) => n.role !== 'S') : null
    case 'tieFan': {
      const fan = of('G')
      const far = fan?.points.find((p) => !isWall(p))
      const call = far && sameDevice(nets.filter((n) => n.role === 'Y1'), far, isWall)
      if (!fan || !far || !call) return null
      return nets.map((n) => (n === fan ? { role: 'G', points: [call, far] } : n))
    }
    case 'oneStage':
      return of('Y2') ? nets.filter((n) => n.role !== 'Y2') : null
  }
} // prettier-ignore

/** A point of some net on the device that another point is on. */
const sameDevice = (nets: readonly Net[], at: Ref, isWall: (ref: Ref) => boolean): Ref | undefined =>
  nets
    .flatMap((n) => n.points)
    .find((p) => !isWall(p) && p !== at && splitRef(p).placed === splitRef(at).placed)

/** Whether the blower runs in every normal state in which strips, a burner or the compressor do. */
function blows(inst: Installation): boolean {
  const circuit = new Circuit(inst)
  return callsOf(inst).every((call) =>
    regionsOf(inst).every((outdoorF) =>
      circuit.combinationsAt(call, outdoorF).every(({ modes, abnormalCount }) => {
        if (abnormalCount > 1) return true
        const f = factsOf(circuit, circuit.settle({ call, outdoorF, modes }))
        const heats = f.stripsOn.length + f.burnersOn.length > 0 || f.compressor !== null
        return !heats || Boolean(f.blower)
      }),
    ),
  )
}
