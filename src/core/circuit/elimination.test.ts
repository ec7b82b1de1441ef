import fc from '../../../tests/helpers/property'
import { complexes, factor, planElimination, quadratic, solveFactored } from './elimination'

type C = [number, number]
const mul = (a: C, b: C): C => [a[0] * b[0] - a[1] * b[1], a[0] * b[1] + a[1] * b[0]]
const sub = (a: C, b: C): C => [a[0] - b[0], a[1] - b[1]]
const div = (a: C, b: C): C => {
  const d = b[0] ** 2 + b[1] ** 2
  return [(a[0] * b[0] + a[1] * b[1]) / d, (a[1] * b[0] - a[0] * b[1]) / d]
}

/** The second method: dense Gauss–Jordan elimination with partial pivoting, on a matrix written out in full. */
function dense(matrix: C[][], rhs: C[]): C[] {
  const n = rhs.length
  const a = matrix.map((row, i) => [...row, rhs[i]!])
  for (let k = 0; k < n; k++) {
    let best = k
    for (let i = k; i < n; i++) if (Math.hypot(...a[i]![k]!) > Math.hypot(...a[best]![k]!)) best = i
    ;[a[k], a[best]] = [a[best]!, a[k]!]
    for (let i = 0; i < n; i++) {
      if (i === k) continue
      const f = div(a[i]![k]!, a[k]![k]!)
      for (let j = k; j <= n; j++) a[i]![j] = sub(a[i]![j]!, mul(f, a[k]![j]!))
    }
  }
  return a.map((row, i) => div(row[n]!, row[i]!))
}

const branch = fc.record({
  a: fc.nat(11),
  b: fc.nat(12),
  g: fc.double({ min: 0.001, max: 200, noNaN: true }),
  x: fc.double({ min: -50, max: 0, noNaN: true }),
})

describe('elimination', () => {
  it('agrees with a dense solution on random networks', () => {
    fc.assert(
      fc.property(
        fc.array(branch, { minLength: 1, maxLength: 30 }),
        fc.nat(11),
        fc.nat(11),
        (branches, at, out) => {
          const n = 12
          const full: C[][] = Array.from({ length: n }, (_, i) =>
            Array.from({ length: n }, (_, j): C => [i === j ? 0.01 : 0, 0]),
          )
          const plan = planElimination(
            n,
            branches.filter((b) => b.b < n && b.a !== b.b).map((b) => [b.a, b.b] as const),
          )
          const matrix = complexes(plan.slots)
          for (let i = 0; i < n; i++) matrix.re[i] = 0.01
          for (const { a, b, g, x } of branches) {
            if (a === b) continue
            const ends = b < n ? [a, b] : [a]
            for (const e of ends) {
              matrix.re[e]! += g
              matrix.im[e]! += x
              full[e]![e]![0] += g
              full[e]![e]![1] += x
            }
            if (b >= n) continue
            const s = plan.slot(a, b)
            matrix.re[s]! -= g
            matrix.im[s]! -= x
            for (const [p, q] of [
              [a, b],
              [b, a],
            ] as const) {
              full[p]![q]![0] -= g
              full[p]![q]![1] -= x
            }
          }
          const x = complexes(n)
          x.re[at] = 1
          const f = factor(plan, matrix)
          expect(f).not.toBeNull()
          solveFactored(plan, f!, x)
          const rhs = Array.from({ length: n }, (_, i): C => [i === at ? 1 : 0, 0])
          dense(full, rhs).forEach((v, i) => {
            expect(Math.hypot(x.re[i]! - v[0], x.im[i]! - v[1])).toBeLessThan(1e-6 * (1 + Math.hypot(...v)))
          })
          // Driven in at one node and out at another: the impedance between the two, from the same dense inverse.
          if (at === out) return
          const pair = complexes(n)
          pair.re[at] = 1
          pair.re[out] = -1
          const { re, im } = quadratic(plan, f!, pair)
          const v = dense(
            full,
            Array.from({ length: n }, (_, i): C => [i === at ? 1 : i === out ? -1 : 0, 0]),
          )
          const z = sub(v[at]!, v[out]!)
          expect(Math.hypot(re - z[0], im - z[1])).toBeLessThan(1e-6 * (1 + Math.hypot(...z)))
        },
      ),
      { seed: 20261123, numRuns: 300 },
    )
  })

  it('refuses a matrix with a vanishing pivot', () => {
    const plan = planElimination(2, [[0, 1]])
    expect(factor(plan, complexes(plan.slots))).toBeNull()
  })
})
