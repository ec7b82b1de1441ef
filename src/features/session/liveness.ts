import { mustGet } from '@/core/assert'
import { solve, type Solution, type Solved } from '@/core/circuit'
import { makeRef, type Installation, type Ref } from '@/core/installation'
import { liveness } from '@/core/startup'
import { tolerances } from '@/core/tolerances'

export interface TerminalVolts {
  /** V against the 24 V common (low voltage) or earth (line voltage), with a 10 MΩ meter. */
  volts: number
  /** `unknown`: live or dead by a contact of which it is not known how it stands. */
  state: 'live' | 'dead' | 'between' | 'common' | 'unknown'
}

/** The same state with every contact closed of which nobody knows; null where there is none, or it does not settle. */
export function closedInstead(solved: Solved): Solution | null {
  if (!solved.ok || !solved.state.drivers.includes(1)) return null
  const other = solve(solved.circuit, solved.situation, 'closed')
  return other.ok ? other : null
}

/**
 * Volts of every terminal of the job, as a meter with its black lead on common shows them.
 * @param other the same state with what is not known taken the other way
 */
export function terminalVolts(
  inst: Installation,
  solved: Solved,
  other: Solution | null = null,
): Map<Ref, TerminalVolts> {
  const found = new Map<Ref, TerminalVolts>()
  if (!solved.ok) return found
  const { net } = solved.circuit
  const transformer = net.transformers[0]
  const common = transformer ? net.nodes[transformer.d] : undefined
  const tied = commons(solved)
  for (const placed of inst.placed)
    for (const t of placed.device.terminals) {
      const ref = makeRef(placed.ref, t.id)
      if (t.side === 'line') {
        const volts = solved.meter(ref, '@earth')
        found.set(ref, { volts, state: volts >= tolerances.liveLineVolts ? 'live' : 'dead' })
        continue
      }
      const own = placed.device.terminals.find((x) => x.role === 'C' && x.side === 'low')
      const against = own && own.id !== t.id ? makeRef(placed.ref, own.id) : (common ?? ref)
      const volts = solved.meter(ref, against)
      const isSure = !other || liveness(other.meter(ref, against)) === liveness(volts)
      const state = tied.has(mustGet(net.index, ref)) ? 'common' : isSure ? liveness(volts) : 'unknown'
      found.set(ref, { volts, state })
    }
  return found
}

/** Every node that copper alone ties to the transformer's common. */
function commons(solved: Extract<Solved, { ok: true }>): ReadonlySet<number> {
  const { net } = solved.circuit
  const start = net.transformers[0]?.d
  const seen = new Set<number>()
  const next = start === undefined ? [] : [start]
  for (let n = next.pop(); n !== undefined; n = next.pop()) {
    if (seen.has(n)) continue
    seen.add(n)
    for (const b of net.conductors) {
      if (b.a === n && b.b >= 0) next.push(b.b)
      if (b.b === n && b.a >= 0) next.push(b.a)
    }
  }
  return seen
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
