/** Masses of a network: written out in `pass`, where a loop over them takes five times as long. */
const N = 3

/**
 * Three masses joined by conductances, some of them also to a temperature outside: C dT/dt = −G·T + b, as
 * T(t) = Tss + M·e^(−λt)·M⁻¹·(T0 − Tss), exact while b stands still. The matrix is made symmetric by √C, so that its
 * eigenvalues are real and its vectors are orthogonal; a Jacobi rotation finds them.
 */
export class Network {
  private readonly lambda: Float64Array
  /** Eigenvectors of C^−½·G·C^−½ in columns, times √C and by √C: into them, and out again. */
  private readonly into: Float64Array
  private readonly out: Float64Array
  /** h of the last stretch: the next is mostly of the same length. */
  private hours = NaN
  /** Solution of (T, b): six terms for each of three temperatures, then six for each of their integrals. */
  private readonly m = new Float64Array(12 * N)

  /**
   * @param capacities BTU/°F
   * @param between BTU/h·°F from node to node, row by row; what stands on the diagonal leads outside
   */
  constructor(capacities: readonly number[], between: readonly (readonly number[])[]) {
    const root = Float64Array.from(capacities, Math.sqrt)
    const s = new Float64Array(N * N)
    for (let i = 0; i < N; i++)
      for (let j = 0; j < N; j++) {
        const g = i === j ? (between[i] ?? []).reduce((sum, x) => sum + x, 0) : -(between[i]?.[j] ?? 0)
        s[i * N + j] = g / (root[i]! * root[j]!)
      }
    const { values, vectors } = jacobi(s, N)
    this.lambda = values
    this.into = vectors.map((v, at) => v * root[Math.floor(at / N)]!)
    this.out = vectors.map((v, at) => v / root[Math.floor(at / N)]!)
  }

  /**
   * Lets `hours` pass.
   * @param t °F of each node, changed in place
   * @param b BTU/h into each node, with what comes from outside (conductance × temperature)
   * @param sums gets °F·h of each node, added
   */
  pass(hours: number, t: Float64Array, b: Float64Array, sums?: Float64Array): void {
    if (hours !== this.hours) this.stretch(hours)
    const { m } = this
    const t0 = t[0]!
    const t1 = t[1]!
    const t2 = t[2]!
    const b0 = b[0]!
    const b1 = b[1]!
    const b2 = b[2]!
    t[0] = m[0]! * t0 + m[1]! * t1 + m[2]! * t2 + m[3]! * b0 + m[4]! * b1 + m[5]! * b2
    t[1] = m[6]! * t0 + m[7]! * t1 + m[8]! * t2 + m[9]! * b0 + m[10]! * b1 + m[11]! * b2
    t[2] = m[12]! * t0 + m[13]! * t1 + m[14]! * t2 + m[15]! * b0 + m[16]! * b1 + m[17]! * b2
    if (!sums) return
    sums[0]! += m[18]! * t0 + m[19]! * t1 + m[20]! * t2 + m[21]! * b0 + m[22]! * b1 + m[23]! * b2
    sums[1]! += m[24]! * t0 + m[25]! * t1 + m[26]! * t2 + m[27]! * b0 + m[28]! * b1 + m[29]! * b2
    sums[2]! += m[30]! * t0 + m[31]! * t1 + m[32]! * t2 + m[33]! * b0 + m[34]! * b1 + m[35]! * b2
  }

  private stretch(hours: number): void {
    this.hours = hours
    const { m, into, out } = this
    m.fill(0)
    // In the eigenvectors each part goes by itself: dz/dt = −λz + β.
    for (let k = 0; k < N; k++) {
      const l = this.lambda[k]!
      const x = l * hours
      const e = Math.exp(-x)
      // 1 − e^(−x) loses its digits where x is small; without a way outside one of them keeps what it has: λ = 0.
      const grown = x > 0.1 ? (1 - e) / l : x > 1e-9 ? -Math.expm1(-x) / l : hours
      const summed = x > 1e-6 ? (hours - grown) / l : (hours * hours) / 2
      for (let i = 0; i < N; i++) {
        const w = out[i * N + k]!
        for (let j = 0; j < N; j++) {
          const at = i * 2 * N + j
          const z = w * into[j * N + k]!
          const beta = w * out[j * N + k]!
          m[at]! += z * e
          m[at + N]! += beta * grown
          m[at + 6 * N]! += z * grown
          m[at + 7 * N]! += beta * summed
        }
      }
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
