import { Network } from './network'

/** e^A of a small matrix by its series, halved and squared again: nothing of it is the program's own. */
function exponential(a: number[][]): number[][] {
  const n = a.length
  const times = (x: number[][], y: number[][]) =>
    x.map((row) => row.map((_, j) => row.reduce((s, v, k) => s + v * y[k]![j]!, 0)))
  const norm = Math.max(...a.map((r) => r.reduce((s, v) => s + Math.abs(v), 0)))
  const squarings = Math.max(0, Math.ceil(Math.log2(norm)) + 2)
  const small = a.map((r) => r.map((v) => v / 2 ** squarings))
  let sum: number[][] = a.map((r, i) => r.map((_, j) => (i === j ? 1 : 0)))
  let term = sum
  for (let k = 1; k <= 25; k++) {
    term = times(term, small).map((r) => r.map((v) => v / k))
    sum = sum.map((r, i) => r.map((v, j) => v + term[i]![j]!))
  }
  for (let k = 0; k < squarings; k++) sum = times(sum, sum)
  return sum.slice(0, n)
}

/** T after so many hours, by the exponential of the matrix with its inputs in one more column. */
function exact(c: number[], g: number[][], b: number[], t: number[], hours: number): number[] {
  const n = c.length
  const rows = c.map((ci, i) => [
    ...c.map((_, j) => ((i === j ? -g[i]!.reduce((x, y) => x + y, 0) : g[i]![j]!) / ci) * hours),
    (b[i]! / ci) * hours,
  ])
  rows.push(new Array<number>(n + 1).fill(0))
  const e = exponential(rows)
  return c.map((_, i) => e[i]!.slice(0, n).reduce((s, v, j) => s + v * t[j]!, 0) + e[i]![n]!)
}

const C = [36, 4000, 16_000]
const G = [
  [0, 1200, 0],
  [1200, 400, 3200],
  [0, 3200, 0],
]

describe('masses joined by conductances', () => {
  it.each([0.01, 0.5, 3, 24, 2000])('go by the exponential of their matrix, %s h', (hours) => {
    const t = Float64Array.of(95, 68, 66)
    const b = Float64Array.of(30_000, 400 * 25, 0)
    const expected = exact(C, G, [...b], [...t], hours)
    new Network(C, G).pass(hours, t, b)
    for (const [i, v] of expected.entries()) expect(Math.abs(t[i]! / v - 1)).toBeLessThan(1e-9)
  })

  it('two halves are one whole, and keep what came in', () => {
    const net = new Network(C, G)
    const whole = Float64Array.of(70, 70, 70)
    const halves = Float64Array.of(70, 70, 70)
    const b = Float64Array.of(20_000, 400 * 30, 0)
    const sums = new Float64Array(3)
    net.pass(2, whole, b, sums)
    net.pass(1, halves, b)
    net.pass(1, halves, b)
    for (let i = 0; i < 3; i++) expect(halves[i]).toBeCloseTo(whole[i]!, 9)
    // In: 20,000 · 2. Out: 400 · (∫room − 30 · 2). Held: Σ C · (T − 70).
    const held = C.reduce((s, c, i) => s + c * (whole[i]! - 70), 0)
    expect(20_000 * 2 - 400 * (sums[1]! - 60)).toBeCloseTo(held, 4)
  })

  it('without a way out they take up all that they are given', () => {
    const t = Float64Array.of(50, 50, 50)
    const inner = G.map((row, i) => row.map((g, j) => (i === j ? 0 : g)))
    new Network([100, 100, 100], inner).pass(3000, t, Float64Array.of(2, 0, 0))
    // 2 · 3000 / 300 = 20; the first stands above the others by what flows on from it: 2 · 2/3 / 1200.
    for (const f of t) expect(f).toBeCloseTo(70, 2)
    expect(t[0]! - t[1]!).toBeCloseTo(4 / 3600, 6)
  })
})
