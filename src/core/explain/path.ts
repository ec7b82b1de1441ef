import { nth } from '../assert'
import { GROUND, type Circuit, type Netlist, type Solution } from '../circuit'
import type { Ref } from '../installation'
import { polesOf, type Poles } from './poles'

/** One step of a way through the circuit: the branch taken and the node it leads to. */
export interface Step {
  branch: Ref
  node: number
  /** Index in the netlist's contacts, or null for a conductor. */
  contact: number | null
}

/** The way of a load's current: from a supply to its hot end, and from its other end to the supply's other pole. */
export interface Path {
  poles: Poles
  /** From the load's end outward, as found. */
  hot: Step[]
  cold: Step[]
  /** The load's ends, hot one first. */
  ends: [number, number]
  /** Contacts on the way that do not pass. */
  open: number
}

/** By node, what conductors and contacts lead to; earth's under `GROUND`. */
const stepsFrom = ({ circuit }: Solution): ReadonlyMap<number, readonly Step[]> => circuit.cache.once(layOut)

function layOut({ net }: Circuit): Map<number, Step[]> {
  const around = new Map<number, Step[]>()
  const add = (from: number, step: Step) => {
    const list = around.get(from)
    if (list) list.push(step)
    else around.set(from, [step])
  }
  const join = (a: number, b: number, branch: Ref, contact: number | null) => {
    add(a, { branch, node: b, contact })
    add(b, { branch, node: a, contact })
  }
  for (const c of net.conductors) join(c.a, c.b, c.ref, null)
  net.contacts.forEach((c, i) => join(c.a, c.b, c.ref, i))
  return around
}

interface Reached {
  open: number
  steps: number
  back: { from: number; step: Step } | null
}

/**
 * Every node that conductors and contacts lead to from one, nearest first: by contacts that do not pass, then by steps.
 * Earth bonds things together, and is no way from one device to the next.
 * @param passes whether a contact lets current through; `null`: it may not be used at all
 */
export function reachFrom(
  solution: Solution,
  start: number,
  passes: (contact: number) => boolean | null,
): Map<number, Reached> {
  const around = stepsFrom(solution)
  const reached = new Map<number, Reached>([[start, { open: 0, steps: 0, back: null }]])
  // Nodes by how many open contacts lead to them: all of one count come before the next.
  let now = [start]
  let next: number[] = []
  for (let open = 0; now.length; open++) {
    for (const node of now) {
      const here = reached.get(node)
      if (!here || here.open !== open || (node === GROUND && start !== GROUND)) continue
      for (const step of around.get(node) ?? []) {
        const passing = step.contact === null ? true : passes(step.contact)
        if (passing === null) continue
        const known = reached.get(step.node)
        const cost = open + (passing ? 0 : 1)
        if (known && (known.open < cost || (known.open === cost && known.steps <= here.steps + 1))) continue
        reached.set(step.node, { open: cost, steps: here.steps + 1, back: { from: node, step } })
        ;(passing ? now : next).push(step.node)
      }
    }
    ;[now, next] = [next, []]
  }
  return reached
}

function stepsTo(reached: ReadonlyMap<number, Reached>, node: number): Step[] {
  const steps: Step[] = []
  for (let back = reached.get(node)?.back; back; back = reached.get(back.from)?.back) steps.push(back.step)
  return steps.reverse()
}

/** Every node that conductors and closed contacts lead to from one, worked out once for a solution. */
export function closedFrom(solution: Solution, start: number): ReadonlyMap<number, Reached> {
  const known = solution.cache.once(reachesKnown)
  const { closed } = solution.state
  const reached = known.get(start) ?? reachFrom(solution, start, (i) => (closed[i] === 1 ? true : null))
  known.set(start, reached)
  return reached
}
const reachesKnown = () => new Map<number, ReadonlyMap<number, Reached>>()

/** The shortest way by closed contacts from a supply through something with two ends; null where there is none. */
export const closedPath = (solution: Solution, { a, b }: Ends, needs: number): Path | null =>
  pathBetween(solution, { a, b }, needs, closedFrom(solution, a), closedFrom(solution, b))

/** The way with the fewest open contacts. */
export function anyPath(solution: Solution, { a, b }: Ends, needs: number): Path | null {
  const { closed } = solution.state
  const from = (n: number) => reachFrom(solution, n, (i) => closed[i] === 1)
  return pathBetween(solution, { a, b }, needs, from(a), from(b))
}

interface Ends {
  a: number
  b: number
}

function pathBetween(
  solution: Solution,
  { a, b }: Ends,
  needs: number,
  fromA: ReadonlyMap<number, Reached>,
  fromB: ReadonlyMap<number, Reached>,
): Path | null {
  let best: { path: () => Path; open: number; steps: number } | null = null
  for (const poles of polesOf(solution)) {
    if (poles.volts < needs) continue
    for (const flipped of [false, true]) {
      const [p, q] = flipped ? [poles.cold, poles.hot] : [poles.hot, poles.cold]
      const [toA, toB] = [fromA.get(p), fromB.get(q)]
      if (!toA || !toB) continue
      const [open, steps] = [toA.open + toB.open, toA.steps + toB.steps]
      if (best && (best.open < open || (best.open === open && best.steps <= steps))) continue
      const path = (): Path => {
        const [atA, atB] = [stepsTo(fromA, p), stepsTo(fromB, q)]
        return {
          poles,
          open,
          hot: flipped ? atB : atA,
          cold: flipped ? atA : atB,
          ends: flipped ? [b, a] : [a, b],
        }
      }
      best = { path, open, steps }
    }
  }
  return best?.path() ?? null
}

/** The name of a node; null for earth. */
export const nameOf = (net: Netlist, node: number): Ref | null =>
  node === GROUND ? null : nth(net.nodes, node)
