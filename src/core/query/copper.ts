import type { Installation, Ref } from '../installation'
import { landedAt } from './settings'

/** Every terminal that wires and splices alone join to this one, itself included. */
export function copperNet(inst: Installation, from: Ref): ReadonlySet<Ref> {
  const net = new Set<Ref>([from])
  const next = [from]
  for (let at = next.pop(); at !== undefined; at = next.pop())
    for (const w of landedAt(inst, at)) {
      const other = w.a === at ? w.b : w.a
      if (other === null || net.has(other)) continue
      net.add(other)
      next.push(other)
    }
  return net
}

/** Whether wires and splices alone join two terminals. */
export const joinedByCopper = (inst: Installation, from: Ref, to: Ref): boolean =>
  copperNet(inst, from).has(to)
