import { nth } from '../assert'
import { GROUND, type Solution } from '../circuit'
import { terminalOf, type Ref } from '../installation'
import { closedFrom, nameOf, reachFrom } from './path'
import { polesOf } from './poles'

/** Why no supply could energize something as the contacts stand, whatever is meant. */
export type NoWayBecause =
  /** An end of it comes to no supply; its wiring ends at this terminal. */
  | { kind: 'notWired'; last: Ref | null }
  /** Both its ends stand at one pole of a supply. */
  | { kind: 'samePole'; pole: Ref; side: 'hot' | 'common' }
  /** The two poles of its supply are joined: whatever is closed, nothing has volts. */
  | { kind: 'shorted'; pole: Ref }
  /** Its ends stand at two supplies that share no conductor. */
  | { kind: 'apart'; one: Ref; other: Ref }
  /** Its ends stand at two joined supplies, at points with no volts between them. */
  | { kind: 'alike'; one: Ref; other: Ref }

export interface NoWay {
  /** Where to look; null: at the load itself. */
  at: Ref | null
  because: NoWayBecause
}

interface SupplyEnd {
  node: number
  side: 'hot' | 'common'
  supply: number
}

/** What keeps the two ends of something without volts as the contacts stand; null where only open contacts do. */
export function noWay(solution: Solution, { a, b }: { a: number; b: number }): NoWay | null {
  const { net } = solution.circuit
  const tied = (n: number) => closedFrom(solution, n)
  const anyhow = (n: number) => reachFrom(solution, n, () => true)
  const poles = polesOf(solution)
  const endIn = (reached: ReadonlyMap<number, unknown>): SupplyEnd | null => {
    for (const [supply, p] of poles.entries()) {
      if (reached.has(p.cold)) return { node: p.cold, side: 'common', supply }
      if (reached.has(p.hot)) return { node: p.hot, side: 'hot', supply }
    }
    return null
  }
  const loose = [a, b].find((n) => endIn(anyhow(n)) === null)
  if (loose !== undefined) {
    const terminals = [...tied(loose).keys()].flatMap((n) => {
      const name = nameOf(net, n)
      return name && terminalOf(solution.circuit.inst, name) ? [name] : []
    })
    const last = terminals.at(-1) ?? null
    return { at: last, because: { kind: 'notWired', last } }
  }
  const [endA, endB] = [endIn(tied(a)), endIn(tied(b))]
  if (!endA || !endB) return null
  const name = (n: number): Ref => (n === GROUND ? 'earth.x' : nth(net.nodes, n))
  const short = [endA, endB].map((e) => nth(poles, e.supply)).find((p) => tied(p.hot).has(p.cold))
  if (short) return { at: null, because: { kind: 'shorted', pole: name(short.hot) } }
  if (endA.node === endB.node)
    return { at: null, because: { kind: 'samePole', pole: name(endA.node), side: endA.side } }
  const [one, other] = [name(endA.node), name(endB.node)]
  const pair = poles.some(
    (p) => (p.hot === endA.node && p.cold === endB.node) || (p.cold === endA.node && p.hot === endB.node),
  )
  if (pair) return null
  const commons = [endA, endB].map((m) => nth(poles, m.supply).cold)
  const joined = anyhow(nth(commons, 0)).has(nth(commons, 1))
  return { at: null, because: { kind: joined ? 'alike' : 'apart', one, other } }
}
