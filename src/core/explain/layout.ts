import { GROUND, type Circuit, type Netlist, type Solution } from '../circuit'
import type { TerminalRole } from '../equipment'
import { placedByRef, splitRef, type Ref } from '../installation'

/** One step of a way through the circuit: the branch taken and the node it leads to. */
export interface Step {
  branch: Ref
  node: number
  /** Index in the netlist's contacts, or null for a conductor. */
  contact: number | null
}

/** Where each node leads, and what it is as a terminal: laid out once for a circuit, asked in every search. */
export interface Layout {
  /** By node; earth's under `GROUND`. Conductors and contacts, open ones too. */
  around: ReadonlyMap<number, readonly Step[]>
  /** By node; undefined for points inside a device. */
  roles: readonly (TerminalRole | undefined)[]
}

/** What the rows of a kit are called by, the first first. */
export const ROW_CALLS = ['W1', 'W2', 'W3'] as const

export const layoutOf = ({ circuit }: Solution): Layout => circuit.cache.once(layOut)

function layOut({ net, inst }: Circuit): Layout {
  const roles = net.nodes.map((ref) => {
    const { placed, id } = splitRef(ref)
    const device = placedByRef(inst, placed)?.device
    const terminal = device?.terminals.find((t) => t.id === id)
    // A kit's harness is an input by its lead's name: it belongs on what calls that row.
    const lead = device?.kind === 'stripKit' && terminal?.role === 'harness' ? terminal.label : null
    return ROW_CALLS.find((role) => role === lead) ?? terminal?.role
  })
  return { around: neighbours(net), roles }
}

function neighbours(net: Netlist): Map<number, Step[]> {
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

/** Something worked out once for a solution, however many chains are asked of it. */
export const oncePer =
  <T>(work: (solution: Solution) => T): ((solution: Solution) => T) =>
  (solution) =>
    solution.cache.once(work)

/** Every node that conductors and contacts tie to one, earth left out; `through` says which contacts count. */
export function tiedTo(
  solution: Solution,
  start: number,
  through: (contact: number) => boolean,
): Set<number> {
  const { around } = layoutOf(solution)
  const tied = new Set([start])
  // A set is walked in the order in which it grows.
  for (const node of tied)
    for (const { node: to, contact } of around.get(node) ?? [])
      if (to !== GROUND && !tied.has(to) && (contact === null || through(contact))) tied.add(to)
  return tied
}
