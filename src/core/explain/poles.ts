import type { Solution } from '../circuit'

/** Two nodes with a voltage between them that a source keeps up. */
export interface Poles {
  hot: number
  cold: number
  volts: number
  /** The transformer whose secondary this is. */
  transformer: number | null
}

export function polesOf(solution: Solution): Poles[] {
  const { net } = solution.circuit
  const poles: Poles[] = net.transformers.map((t, i) => ({
    hot: t.c,
    cold: t.d,
    volts: t.part.noLoadVolts,
    transformer: i,
  }))
  net.sources.forEach((s, i) => {
    for (const other of net.sources.slice(i + 1)) {
      if (other.placed.ref !== s.placed.ref || other.b !== s.b) continue
      const volts = Math.hypot(s.emf.re - other.emf.re, s.emf.im - other.emf.im)
      poles.push({ hot: s.a, cold: other.a, volts, transformer: null })
    }
    poles.push({ hot: s.a, cold: s.b, volts: Math.hypot(s.emf.re, s.emf.im), transformer: null })
  })
  return poles
}
