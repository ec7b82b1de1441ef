import { mustGet } from '../assert'
import type { Circuit, Outcome, Settled } from '../circuit'
import type { Call } from '../equipment'
import { splitRef, type Name } from '../installation'
import { type ModeCombination, type Situation } from '../situation'
import type { DegF } from '../units'

/** Another state that a situation can settle in, beside the one from all coils de-energized. */
export interface OtherRest {
  /** With `after`: the situation before, which made it settle so. */
  situation: Situation
  row: ModeCombination
  outcome: Outcome
}

interface Node {
  situation: Situation
  row: ModeCombination
  at: number
  rests: Settled[]
  /** Some way into it finds no rest. */
  restless: boolean
}

/** The modes as lines of text, sorted, each with the mode that it is of. */
const modeLines = (modes: Situation['modes']): { ref: Name; line: string }[] =>
  Object.entries(modes)
    .map(([ref, state]) => ({ ref, line: `${ref}=${state}` }))
    .sort((a, b) => (a.line < b.line ? -1 : 1))
/** Lines of modes as one text, without those that are left out. */
function keyOf(lines: readonly { ref: Name; line: string }[], leaveOut: (ref: Name) => boolean): string {
  let key = ''
  for (const { ref, line } of lines) if (!leaveOut(ref)) key += `${line};`
  return key
}
const isMemory = (ref: Name): boolean => splitRef(ref).id.startsWith('band:')

/** Situations that one change leads to and from: one call, the next temperature, or one mode. */
class Neighbours {
  private readonly groups = new Map<string, Node[]>()
  private readonly of = new Map<Node, string[]>()

  add(node: Node): void {
    const { call, modes } = node.situation
    const lines = modeLines(modes)
    const all = keyOf(lines, () => false)
    const still = keyOf(lines, isMemory)
    const keys = [`any ${node.at} ${all}`, `${call} ${node.at} ${node.at + 1} ${still}`]
    keys.push(`${call} ${node.at - 1} ${node.at} ${still}`)
    // A row is in one group for each thing that is away, and in the group of the rows that have one thing more.
    for (const { ref } of lines) keys.push(`${call} ${node.at} ${ref} ${keyOf(lines, (r) => r === ref)}`)
    this.of.set(node, keys)
    for (const key of keys) this.join(key, node)
  }
  private join(key: string, node: Node): void {
    const group = this.groups.get(key)
    if (group) group.push(node)
    else this.groups.set(key, [node])
  }
  /** Once all rows are in: puts each row among those with one thing more that is away. */
  close(nodes: readonly Node[], refs: readonly Name[]): void {
    for (const node of nodes) {
      const all = keyOf(modeLines(node.situation.modes), () => false)
      for (const ref of refs) {
        if (ref in node.situation.modes) continue
        const key = `${node.situation.call} ${node.at} ${ref} ${all}`
        const group = this.groups.get(key)
        if (!group) continue
        group.push(node)
        mustGet(this.of, node).push(key)
      }
    }
  }
  *from(node: Node): Generator<Node> {
    for (const key of mustGet(this.of, node))
      for (const other of mustGet(this.groups, key)) if (other !== node) yield other
  }
}

const sameCoils = (a: Settled, b: Settled): boolean => a.coils.every((c, i) => c === b.coils[i])

/**
 * Every other rest of every reachable situation: from each rest of the situations one call, one temperature or one mode
 * away, until nothing new is found. A coil that seals itself in, two that lock each other out, and one that holds on volts
 * that would not pull it in have such; most jobs have none, so that whoever asks looks at that first.
 */
export function otherRests(
  circuit: Circuit,
  calls: readonly Call[],
  temperatures: readonly DegF[],
): OtherRest[] {
  const nodes: Node[] = []
  calls.forEach((call) =>
    temperatures.forEach((outdoorF, at) => {
      const outcomes: Outcome[] = []
      circuit.combinationsAt(call, outdoorF).forEach((row, i) => {
        const situation: Situation = { call, outdoorF, modes: row.modes }
        const outcome = circuit.settle(situation, 'open', outcomes[row.parentIndex])
        outcomes[i] = outcome
        nodes.push({ situation, row, at, rests: outcome.ok ? [outcome] : [], restless: !outcome.ok })
      })
    }),
  )
  const neighbours = new Neighbours()
  for (const node of nodes) neighbours.add(node)
  neighbours.close(nodes, [...new Set(nodes.flatMap((n) => Object.keys(n.situation.modes)))])

  const found: OtherRest[] = []
  const queue = nodes.flatMap((node) => node.rests.map((rest) => ({ node, rest, stood: node.situation })))
  for (const { node, rest, stood } of queue)
    for (const next of neighbours.from(node)) {
      if (next.rests.some((r) => sameCoils(r, rest))) continue
      const outcome = circuit.settleAfter(next.situation, rest)
      if (outcome.ok && next.rests.some((r) => sameCoils(r, outcome))) continue
      const situation: Situation = { ...next.situation, after: stood }
      if (!outcome.ok) {
        if (!next.restless) found.push({ situation, row: next.row, outcome })
        next.restless = true
        continue
      }
      next.rests.push(outcome)
      found.push({ situation, row: next.row, outcome })
      queue.push({ node: next, rest: outcome, stood: situation })
    }
  return found
}
