import { mustGet } from '../assert'
import { solve, type Solution, type Solved } from '../circuit'
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

type Link = { a: number; b: number }

/** Groups of nodes that links join, by node. */
function groupsOf(links: Iterable<Link>): (node: number) => number {
  const parent = new Map<number, number>()
  const find = (n: number): number => {
    let root = n
    for (let up = parent.get(root); up !== undefined; up = parent.get(root)) root = up
    for (let up = parent.get(n); up !== undefined && n !== root; up = parent.get(n)) {
      parent.set(n, root)
      n = up
    }
    return root
  }
  for (const { a, b } of links) {
    if (a < 0 || b < 0) continue
    const [x, y] = [find(a), find(b)]
    if (x !== y) parent.set(x, y)
  }
  return find
}

/**
 * The transformer common that a meter's black lead belongs on for a node: that of a secondary which the node is joined to, by
 * closed contacts first, else through loads. A house with two transformers has two commons.
 */
function commonsOf({ circuit: { net }, state }: Solution): (node: number) => number | undefined {
  const closed = net.contacts.filter((_, i) => state.closed[i])
  const secondaries = net.transformers.map(({ c, d }) => ({ a: c, b: d }))
  const direct = groupsOf([...net.conductors, ...closed, ...secondaries])
  const through = groupsOf([...net.conductors, ...closed, ...secondaries, ...net.loads])
  return (node) =>
    [direct, through]
      .map((groupOf) => net.transformers.find((t) => groupOf(t.d) === groupOf(node)))
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
  const byCopper = groupsOf(net.conductors)
  const commons = new Set(net.transformers.map((t) => byCopper(t.d)))
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
      const state = commons.has(byCopper(node)) ? 'common' : isSame ? liveness(volts) : 'unknown'
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
