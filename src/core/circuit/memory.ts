import { leaves, type Expr } from '../equipment'
import { Groups } from './groups'
import { GROUND, type Branch, type Netlist } from './netlist'

/** S. Conductors that pass more than this hold their two ends at one potential: less than 100 Ω. */
const COPPER = 0.01

/** Whether only modes and settings move a contact: a breaker, a door switch, a float switch. */
const isSupplyGate = (driver: Expr): boolean => leaves(driver).every((l) => 'mode' in l || 'set' in l)

/**
 * The coils that may remember: those whose own contacts can, by way of any other coils, change the volts on the coil
 * itself. Only where there are such can a circuit settle in more than one way in one situation (a relay that seals
 * itself in, two that lock each other out). Supplies are taken as stiff: what a load's draw does to its neighbours'
 * volts is no way round. A coil whose contact joins two supplied points may change any other.
 */
export function memoryCoils(net: Netlist, coilWatchers: ReadonlyMap<number, readonly number[]>): Set<number> {
  const { nodes, conductors, contacts, loads, sources, transformers } = net
  const copper = new Groups(nodes.length)
  for (const c of conductors) if (c.re > COPPER) copper.join(c.a, c.b)
  for (const c of contacts) if (isSupplyGate(c.part.driver)) copper.join(c.a, c.b)
  const supplied = new Set([GROUND, ...sources.flatMap((s) => [s.a, s.b])].map((n) => copper.of(n)))
  for (const t of transformers) for (const n of [t.c, t.d]) supplied.add(copper.of(n))

  const islands = new Groups(nodes.length)
  const loose = (n: number): number[] => (supplied.has(copper.of(n)) ? [] : [copper.of(n)])
  const tie = ({ a, b }: Pick<Branch, 'a' | 'b'>) => {
    const ends = [...loose(a), ...loose(b)]
    if (ends.length === 2) islands.join(ends[0]!, ends[1]!)
  }
  for (const branch of [...conductors, ...contacts, ...loads, ...transformers]) tie(branch)
  const islandsOf = ({ a, b }: Pick<Branch, 'a' | 'b'>) =>
    [...loose(a), ...loose(b)].map((n) => islands.of(n))
  // A transformer whose primary is switched takes all that depends on its secondary along.
  const primaries = new Set(transformers.flatMap(islandsOf))

  const coils = [...coilWatchers.keys()]
  const onIsland = new Map(coils.map((i) => [i, new Set(islandsOf(loads[i]!))]))
  const moved = new Map(
    coils.map((i): [number, readonly number[]] => {
      const touched = coilWatchers.get(i)!.map((c) => islandsOf(contacts[c]!))
      const all = touched.some((list) => !list.length || list.some((x) => primaries.has(x)))
      const reached = new Set(touched.flat())
      return [i, all ? coils : coils.filter((j) => [...onIsland.get(j)!].some((x) => reached.has(x)))]
    }),
  )
  const remembers = (i: number): boolean => {
    const seen = new Set<number>()
    const open = [...moved.get(i)!]
    for (let j = open.pop(); j !== undefined; j = open.pop()) {
      if (j === i) return true
      if (seen.has(j)) continue
      seen.add(j)
      open.push(...moved.get(j)!)
    }
    return false
  }
  return new Set(coils.filter(remembers))
}
