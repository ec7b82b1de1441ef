import { mustGet } from '../assert'
import {
  GROUND,
  Groups,
  solve,
  type Branch,
  type Circuit,
  type Netlist,
  type Solution,
  type Solved,
} from '../circuit'
import { makeRef, type Ref } from '../installation'
import { tolerances } from '../tolerances'
import { liveness } from './expectation'

export interface TerminalVolts {
  /** V against the 24 V common (low voltage) or earth (line voltage), with a 10 MΩ meter. */
  volts: number
  /** `unknown`: live or dead, by a contact whose state is unknown. */
  state: 'live' | 'dead' | 'between' | 'common' | 'unknown'
}

/** The same state with every unknown contact closed; null where there is none, or it does not settle. */
export function closedInstead(solved: Solved): Solution | null {
  if (!solved.ok || !solved.state.drivers.includes(1)) return null
  const other = solve(solved.circuit, solved.situation, 'closed')
  return other.ok ? other : null
}

/** Nodes that branches join, earth left out: two commons that are both grounded are still two. */
function groupsOf({ nodes }: Netlist, ...lists: readonly Pick<Branch, 'a' | 'b'>[][]): Groups {
  const groups = new Groups(nodes.length)
  for (const { a, b } of lists.flat()) if (a !== GROUND && b !== GROUND) groups.join(a, b)
  return groups
}

/** Nodes that copper alone joins; the same in every state of a circuit. */
const copperOf = ({ net }: Circuit): Groups => groupsOf(net, net.conductors)

/**
 * The transformer common that a meter's black lead belongs on for a node: that of a secondary which the node is joined to, by
 * closed contacts first, else through loads. A house with two transformers has two commons.
 */
function commonsOf({ circuit: { net }, state }: Solution): (node: number) => number | undefined {
  const closed = net.contacts.filter((_, i) => state.closed[i])
  const secondaries = net.transformers.map(({ c, d }) => ({ a: c, b: d }))
  const direct = groupsOf(net, net.conductors, closed, secondaries)
  const through = groupsOf(net, net.conductors, closed, secondaries, net.loads)
  return (node) =>
    [direct, through]
      .map((groups) => net.transformers.find((t) => groups.of(t.d) === groups.of(node)))
      .find((t) => t !== undefined)?.d ?? net.transformers[0]?.d
}

/**
 * Volts of every terminal of the job, as a meter with its black lead on common shows them.
 * @param other the same state with every unknown contact closed
 */
export function terminalVolts(solved: Solved, other: Solution | null = null): Map<Ref, TerminalVolts> {
  const found = new Map<Ref, TerminalVolts>()
  if (!solved.ok) return found
  const { net, inst } = solved.circuit
  const commonAt = commonsOf(solved)
  const copper = solved.circuit.cache.once(copperOf)
  const commons = new Set(net.transformers.map((t) => copper.of(t.d)))
  for (const placed of inst.placed)
    for (const t of placed.device.terminals) {
      const ref = makeRef(placed.ref, t.id)
      if (t.side === 'line') {
        const volts = solved.meter(ref, '@earth')
        found.set(ref, { volts, state: volts >= tolerances.liveLineVolts ? 'live' : 'dead' })
        continue
      }
      const node = mustGet(net.index, ref)
      const own = placed.device.terminals.find((x) => x.role === 'C' && x.side === 'low')
      const common = commonAt(node)
      const against =
        own && own.id !== t.id
          ? makeRef(placed.ref, own.id)
          : ((common === undefined ? undefined : net.nodes[common]) ?? ref)
      const volts = solved.meter(ref, against)
      const isSame = !other || liveness(other.meter(ref, against)) === liveness(volts)
      const state = commons.has(copper.of(node)) ? 'common' : isSame ? liveness(volts) : 'unknown'
      found.set(ref, { volts, state })
    }
  return found
}

/** A conductor's state: that of whichever of its ends is landed. */
export function wireState(
  volts: ReadonlyMap<Ref, TerminalVolts>,
  a: Ref | null,
  b: Ref | null,
): TerminalVolts['state'] {
  const of = (r: Ref | null) => (r ? volts.get(r)?.state : undefined)
  return of(a) ?? of(b) ?? 'dead'
}
