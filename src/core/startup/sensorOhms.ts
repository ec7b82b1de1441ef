import type { DegF } from '../units'

/**
 * Ω of a sensor at a temperature, from its table: the logarithm of a thermistor's ohms runs nearly straight between two
 * points. Null outside the table, where nobody has said anything.
 */
export function ohmsAt(table: readonly { atF: number; ohms: number }[], t: DegF): number | null {
  const sorted = [...table].sort((a, b) => a.atF - b.atF)
  const above = sorted.findIndex((p) => p.atF >= t)
  const [low, high] = [sorted[above - 1] ?? sorted[above], sorted[above]]
  if (!low || !high || t < low.atF) return null
  if (low.atF === high.atF) return high.ohms
  const x = (t - low.atF) / (high.atF - low.atF)
  return Math.exp(Math.log(low.ohms) + x * (Math.log(high.ohms) - Math.log(low.ohms)))
}
