/**
 * A few masses joined by conductances, one of them also to a temperature outside: C dT/dt = −G·T + b, as
 * T(t) = Tss + M·e^(−λt)·M⁻¹·(T0 − Tss), exact while b stands still. The matrix is made symmetric by √C, so that its
 * eigenvalues are real and its vectors are orthogonal; a Jacobi rotation finds them.
 */
export class Network {
  private readonly lambda: Float64Array
  /** Eigenvectors of C^−½·G·C^−½ in columns, times √C and by √C: into them, and out again. */
  private readonly into: Float64Array
  private readonly out: Float64Array
  private readonly z: Float64Array
  private readonly n: number

  /**
   * @param capacities BTU/°F
   * @param between BTU/h·°F from node to node, row by row; what stands on the diagonal leads outside
   */
  constructor(capacities: readonly number[], between: readonly (readonly number[])[]) {
    this.n = capacities.length
    const n = this.n
    const root = Float64Array.from(capacities, Math.sqrt)
    const s = new Float64Array(n * n)
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++) {
        const g = i === j ? (between[i] ?? []).reduce((sum, x) => sum + x, 0) : -(between[i]?.[j] ?? 0)
        s[i * n + j] = g / ((root[i] ?? 1) * (root[j] ?? 1))
      }
    const { values, vectors } = jacobi(s, n)
    this.lambda = values
    this.into = vectors.map((v, at) => v * (root[Math.floor(at / n)] ?? 1))
    this.out = vectors.map((v, at) => v / (root[Math.floor(at / n)] ?? 1))
    this.z = new Float64Array(2 * n)
  }

  /**
   * Lets `hours` pass.
   * @param t °F of each node, changed in place
   * @param b BTU/h into each node, with what comes from outside (conductance × temperature)
   * @param sums gets °F·h of each node, added
   */
  pass(hours: number, t: Float64Array, b: Float64Array, sums?: Float64Array): void {
    const { n, into, out, lambda, z } = this
    // In the eigenvectors each part goes by itself: dz/dt = −λz + β.
    for (let k = 0; k < n; k++) {
      let zk = 0
      let beta = 0
      for (let i = 0; i < n; i++) {
        const at = i * n + k
        zk += into[at]! * t[i]!
        beta += out[at]! * b[i]!
      }
      const l = lambda[k]!
      const x = l * hours
      const e = Math.exp(-x)
      // 1 − e^(−x) loses its digits where x is small; without a way outside one of them keeps what it has: λ = 0.
      const grown = x > 0.1 ? (1 - e) / l : x > 1e-9 ? -Math.expm1(-x) / l : hours
      z[k] = zk * e + beta * grown
      if (sums) z[n + k] = zk * grown + beta * (x > 1e-6 ? (hours - grown) / l : (hours * hours) / 2)
    }
    for (let i = 0; i < n; i++) {
      let now = 0
      let sum = 0
      for (let k = 0; k < n; k++) {
        const w = out[i * n + k]!
        now += w * z[k]!
        sum += w * z[n + k]!
      }
      t[i] = now
      if (sums) sums[i] = (sums[i] ?? 0) + sum
    }
  }
}

/** Eigenvalues and vectors of a small symmetric matrix by cyclic rotations. */
function jacobi(s: Float64Array, n: number): { values: Float64Array; vectors: Float64Array } {
  const v = new Float64Array(n * n)
  for (let i = 0; i < n; i++) v[i * n + i] = 1
  const at = (m: Float64Array, i: number, j: number): number => m[i * n + j] ?? 0
  for (let sweep = 0; sweep < 60; sweep++) {
    let off = 0
    for (let p = 0; p < n; p++) for (let r = p + 1; r < n; r++) off += at(s, p, r) ** 2
    if (off < 1e-28) break
    for (let p = 0; p < n; p++)
      for (let r = p + 1; r < n; r++) {
        const apr = at(s, p, r)
        if (apr === 0) continue
        const theta = (at(s, r, r) - at(s, p, p)) / (2 * apr)
        const tan = (theta < 0 ? -1 : 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1))
        const cos = 1 / Math.sqrt(tan * tan + 1)
        const sin = tan * cos
        for (let k = 0; k < n; k++) {
          const [a, b] = [at(s, k, p), at(s, k, r)]
          s[k * n + p] = cos * a - sin * b
          s[k * n + r] = sin * a + cos * b
        }
        for (let k = 0; k < n; k++) {
          const [a, b] = [at(s, p, k), at(s, r, k)]
          s[p * n + k] = cos * a - sin * b
          s[r * n + k] = sin * a + cos * b
        }
        for (let k = 0; k < n; k++) {
          const [a, b] = [at(v, k, p), at(v, k, r)]
          v[k * n + p] = cos * a - sin * b
          v[k * n + r] = sin * a + cos * b
        }
      }
  }
  return { values: Float64Array.from({ length: n }, (_, i) => Math.max(0, at(s, i, i))), vectors: v }
}
