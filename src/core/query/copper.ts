import type { Installation, Ref } from '../installation'
import { landedAt } from './settings'

/** Whether wires and splices alone join two terminals. */
export function joinedByCopper(inst: Installation, from: Ref, to: Ref): boolean {
  const seen = new Set<Ref>([from])
  const next = [from]
  for (let at = next.pop(); at !== undefined; at = next.pop()) {
    if (at === to) return true
    for (const w of landedAt(inst, at)) {
      const other = w.a === at ? w.b : w.a
      if (other !== null && !seen.has(other)) {
        seen.add(other)
        next.push(other)
      }
    }
  }
  return false
}
