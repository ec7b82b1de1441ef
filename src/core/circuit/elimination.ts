/**
 * Sparse LDLᵀ elimination for complex symmetric nodal matrices, planned once and run many times.
 * A house's wiring is nearly a tree, so a minimum-degree order fills in almost nothing. No pivoting is needed: every
 * branch has a conductance with a positive real part, and each node leaks to earth.
 */
export interface EliminationPlan {
  size: number
  slots: number
  /** Storage place of entry (i, j); the diagonal of i is at i. */
  slot(i: number, j: number): number
  /** Nodes in the order of elimination. */
  order: Int32Array
  /** For step k: neighbours[start[k] … start[k+1]) and the storage places of their entries in column k. */
  start: Int32Array
  neighbours: Int32Array
  columnSlots: Int32Array
  /** For each step, the storage places that pairs of neighbours update, row by row. */
  updates: Int32Array
}

/** Complex numbers side by side: `re` and `im` of the same index belong together. */
export interface Complexes {
  re: Float64Array
  im: Float64Array
}
export const complexes = (n: number): Complexes => ({ re: new Float64Array(n), im: new Float64Array(n) })

/** Plans the elimination of an n × n symmetric matrix whose off-diagonal entries are the given pairs. */
export function planElimination(n: number, pairs: readonly (readonly [number, number])[]): EliminationPlan {
  const near: Set<number>[] = Array.from({ length: n }, () => new Set())
  for (const [i, j] of pairs)
    if (i !== j) {
      near[i]!.add(j)
      near[j]!.add(i)
    }
  const places = new Map<number, number>()
  const place = (i: number, j: number): number => {
    if (i === j) return i
    const key = i < j ? i * n + j : j * n + i
    let p = places.get(key)
    if (p === undefined) {
      p = n + places.size
      places.set(key, p)
    }
    return p
  }
  for (let i = 0; i < n; i++) for (const j of near[i]!) place(i, j)

  const left = new Set(Array.from({ length: n }, (_, i) => i))
  const order = new Int32Array(n)
  const start = new Int32Array(n + 1)
  const neighbours: number[] = []
  const columnSlots: number[] = []
  const updates: number[] = []
  for (let step = 0; step < n; step++) {
    let best = -1
    for (const i of left) if (best < 0 || near[i]!.size < near[best]!.size) best = i
    left.delete(best)
    order[step] = best
    const around = [...near[best]!]
    for (const i of around) {
      neighbours.push(i)
      columnSlots.push(place(best, i))
      near[i]!.delete(best)
    }
    for (let p = 0; p < around.length; p++)
      for (let q = p; q < around.length; q++) {
        const i = around[p]!
        const j = around[q]!
        if (i !== j) {
          near[i]!.add(j)
          near[j]!.add(i)
        }
        updates.push(place(i, j))
      }
    start[step + 1] = neighbours.length
  }
  return {
    size: n,
    slots: n + places.size,
    slot: place,
    order,
    start,
    neighbours: Int32Array.from(neighbours),
    columnSlots: Int32Array.from(columnSlots),
    updates: Int32Array.from(updates),
  }
}

/** The factors of one matrix, ready to solve with. */
export interface Factors {
  /** Reciprocal pivots by node, and multipliers by position in `plan.neighbours`. */
  pivot: Complexes
  lower: Complexes
}

/** Room for the factors of any matrix of a plan. */
export const factorsFor = (plan: EliminationPlan): Factors => ({
  pivot: complexes(plan.size),
  lower: complexes(plan.neighbours.length),
})

/**
 * Factors the matrix in place (its entries are spent). Null when a pivot vanishes or is not a number.
 * @param into where the factors go; a sweep that spends them at once hands in the same room each time
 */
export function factor(
  plan: EliminationPlan,
  matrix: Complexes,
  into: Factors = factorsFor(plan),
): Factors | null {
  const { re, im } = matrix
  const { pivot, lower } = into
  let u = 0
  for (let step = 0; step < plan.size; step++) {
    const k = plan.order[step]!
    const dr = re[k]!
    const di = im[k]!
    const size = dr * dr + di * di
    if (!(size > 0) || !Number.isFinite(size)) return null
    const pr = dr / size
    const pi = -di / size
    pivot.re[k] = pr
    pivot.im[k] = pi
    const from = plan.start[step]!
    const to = plan.start[step + 1]!
    for (let p = from; p < to; p++) {
      const s = plan.columnSlots[p]!
      const ar = re[s]!
      const ai = im[s]!
      const lr = ar * pr - ai * pi
      const li = ar * pi + ai * pr
      lower.re[p] = lr
      lower.im[p] = li
      for (let q = p; q < to; q++) {
        const t = plan.columnSlots[q]!
        const target = plan.updates[u++]!
        re[target]! -= lr * re[t]! - li * im[t]!
        im[target]! -= lr * im[t]! + li * re[t]!
      }
    }
  }
  return into
}

/**
 * xᵀ·A⁻¹·x of a right-hand side, which is spent: with A = L·D·Lᵀ it is Σ yₖ²/dₖ of y = L⁻¹·x, so half a solution does.
 * For a nodal matrix and 1 A driven in at one node and out at another, the result is the impedance between the two, Ω.
 */
export function quadratic(plan: EliminationPlan, f: Factors, x: Complexes): { re: number; im: number } {
  const { re, im } = x
  const sum = { re: 0, im: 0 }
  for (let step = 0; step < plan.size; step++) {
    const k = plan.order[step]!
    const xr = re[k]!
    const xi = im[k]!
    if (xr === 0 && xi === 0) continue
    for (let p = plan.start[step]!; p < plan.start[step + 1]!; p++) {
      const i = plan.neighbours[p]!
      re[i]! -= f.lower.re[p]! * xr - f.lower.im[p]! * xi
      im[i]! -= f.lower.re[p]! * xi + f.lower.im[p]! * xr
    }
    const [sr, si] = [xr * xr - xi * xi, 2 * xr * xi]
    sum.re += sr * f.pivot.re[k]! - si * f.pivot.im[k]!
    sum.im += sr * f.pivot.im[k]! + si * f.pivot.re[k]!
  }
  return sum
}

/** Solves in place: `x` holds the right-hand side on entry and the solution on return. */
export function solveFactored(plan: EliminationPlan, f: Factors, x: Complexes): void {
  const { re, im } = x
  for (let step = 0; step < plan.size; step++) {
    const k = plan.order[step]!
    const xr = re[k]!
    const xi = im[k]!
    if (xr !== 0 || xi !== 0)
      for (let p = plan.start[step]!; p < plan.start[step + 1]!; p++) {
        const i = plan.neighbours[p]!
        re[i]! -= f.lower.re[p]! * xr - f.lower.im[p]! * xi
        im[i]! -= f.lower.re[p]! * xi + f.lower.im[p]! * xr
      }
    re[k] = xr * f.pivot.re[k]! - xi * f.pivot.im[k]!
    im[k] = xr * f.pivot.im[k]! + xi * f.pivot.re[k]!
  }
  for (let step = plan.size - 1; step >= 0; step--) {
    const k = plan.order[step]!
    let xr = re[k]!
    let xi = im[k]!
    for (let p = plan.start[step]!; p < plan.start[step + 1]!; p++) {
      const i = plan.neighbours[p]!
      xr -= f.lower.re[p]! * re[i]! - f.lower.im[p]! * im[i]!
      xi -= f.lower.re[p]! * im[i]! + f.lower.im[p]! * re[i]!
    }
    re[k] = xr
    im[k] = xi
  }
}
