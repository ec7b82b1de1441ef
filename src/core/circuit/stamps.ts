import { tolerances } from '../tolerances'
import { complexes, type Complexes, type EliminationPlan } from './elimination'
import { GROUND, type Branch, type SourceBranch, type TransformerBranch } from './netlist'

/** The off-diagonal places that branches and transformers need in a nodal matrix. */
export function pairsOf(
  branches: readonly Branch[],
  transformers: readonly TransformerBranch[] = [],
): [number, number][] {
  const pairs = branches
    .filter((b) => b.a !== GROUND && b.b !== GROUND)
    .map((b): [number, number] => [b.a, b.b])
  for (const t of transformers) {
    const ends = [t.a, t.b, t.c, t.d].filter((n) => n !== GROUND)
    for (const p of ends) for (const q of ends) if (p < q) pairs.push([p, q])
  }
  return pairs
}

/** A matrix with nothing in it but each node's leak to earth. */
export function bareMatrix(plan: EliminationPlan): Complexes {
  const m = complexes(plan.slots)
  for (let i = 0; i < plan.size; i++) m.re[i] = tolerances.leakSiemens
  return m
}

/** Adds one branch's admittance. */
export function stamp(plan: EliminationPlan, { re, im }: Complexes, b: Branch): void {
  if (b.a !== GROUND) {
    re[b.a]! += b.re
    im[b.a]! += b.im
  }
  if (b.b !== GROUND) {
    re[b.b]! += b.re
    im[b.b]! += b.im
  }
  if (b.a !== GROUND && b.b !== GROUND) {
    const s = plan.slot(b.a, b.b)
    re[s]! -= b.re
    im[s]! -= b.im
  }
}

/** Secondary current is g·(ratio·v_ab − v_cd); the primary draws ratio times it: g·u·uᵀ with u below. */
export function stampTransformer(plan: EliminationPlan, m: Complexes, t: TransformerBranch): void {
  const at = [t.a, t.b, t.c, t.d]
  const u = [t.ratio, -t.ratio, -1, 1]
  for (let p = 0; p < 4; p++)
    for (let q = p; q < 4; q++) {
      if (at[p] === GROUND || at[q] === GROUND) continue
      const twice = p !== q && at[p] === at[q] ? 2 : 1
      m.re[plan.slot(at[p]!, at[q]!)]! += twice * t.siemens * u[p]! * u[q]!
    }
}

/** Each source behind its resistance, as a current source beside it. */
export function injected(nodes: number, sources: readonly SourceBranch[]): Complexes {
  const rhs = complexes(nodes)
  for (const s of sources) {
    if (s.a !== GROUND) {
      rhs.re[s.a]! += s.re * s.emf.re
      rhs.im[s.a]! += s.re * s.emf.im
    }
    if (s.b !== GROUND) {
      rhs.re[s.b]! -= s.re * s.emf.re
      rhs.im[s.b]! -= s.re * s.emf.im
    }
  }
  return rhs
}
