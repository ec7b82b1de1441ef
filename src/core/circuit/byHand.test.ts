import fc from '../../../tests/helpers/property'
import { coil, contact, device, install, placed, wire, ALWAYS } from '../../../tests/helpers/build'
import type { Part } from '../equipment'
import type { Wire, Point } from '../installation'
import { degF } from '../units'
import { Circuit, solve, type Solution } from '.'

const quiet = { call: 'off' as const, outdoorF: degF(47), modes: {} }
const source = (a: string, b: string, volts: number, ohms = 1e-3, phaseDeg = 0): Part => ({
  kind: 'source',
  id: `s${a}${b}`,
  a,
  b,
  volts,
  ohms,
  phaseDeg,
})
const path = (id: string, a: string, b: string, ohms: number): Part => ({ kind: 'path', id, a, b, ohms })
/** A heater of so many ohms: volts² / VA at unity power factor. */
const heater = (id: string, a: string, b: string, ohms: number, volts = 240): Part =>
  coil(id, a, b, (volts * volts) / ohms, 1, volts)

function settle(parts: Part[], terminals = ['R', 'C']): Solution {
  const s = solve(new Circuit(install([placed('d', device('d', terminals, parts))])), quiet)
  if (!s.ok) throw new Error(s.why)
  return s
}
/** A supply and coils at the two ends of a pair of wires. */
function run(feet: number, gauge: number, coils: Part[]): Solution {
  const supply = device('supply', ['R', 'C'], [source('R', 'C', 24, 0.5)])
  const far = device('far', ['Y', 'C'], coils)
  const wires: Wire[] = [
    wire('go', 'a.R', 'b.Y', { gauge, feet }),
    wire('back', 'a.C', 'b.C', { gauge, feet }),
  ]
  const s = solve(new Circuit(install([placed('a', supply), placed('b', far)], wires)), quiet)
  if (!s.ok) throw new Error(s.why)
  return s
}

describe('volts worked out by hand', () => {
  it.each([
    // 18 AWG: 6.385 Ω a thousand feet, and 0.005 Ω for each landing. 12 VA at 24 V is 48 Ω.
    // 100 ft: 24 · 48 / (48 + 0.5 + 2 · 0.6435) = 23.14
    [100, 18, 1, 23.14],
    // Two such coils are 24 Ω: 24 · 24 / (24 + 1.787) = 22.34
    [100, 18, 2, 22.34],
    // 400 ft: 24 · 48 / (48 + 0.5 + 2 · 2.559) = 21.48
    [400, 18, 1, 21.48],
    // 20 AWG: 10.15 Ω a thousand feet. 24 · 48 / (48 + 0.5 + 2 · 2.0350) = 21.91
    [200, 20, 1, 21.91],
  ])('%d ft of %d AWG there and back with %d coil(s): %d V', (feet, gauge, n, expected) => {
    const coils = Array.from({ length: n }, (_, i) => coil(`k${i}`, 'Y', 'C', 12, 1))
    expect(run(feet, gauge, coils).volts('b.Y', 'b.C')).toBeCloseTo(expected, 1)
  })

  it('two coils in series share by their ohms, and neither pulls in', () => {
    // 6 VA is 96 Ω and 12 VA 48 Ω: 16 V and 8 V.
    const s = settle([source('R', 'C', 24), coil('six', 'R', 'x', 6, 1), coil('twelve', 'x', 'C', 12, 1)])
    expect([s.volts('d.R', 'd.x'), s.volts('d.x', 'd.C')].map((v) => v.toFixed(1))).toEqual(['16.0', '8.0'])
    expect([s.energised('d.six'), s.energised('d.twelve')]).toEqual([false, false])
  })

  it('volts across a coil and a resistance add as vectors, not as numbers', () => {
    // 24 VA at power factor 0.5: 24 Ω, of them 12 resistive and 20.78 inductive. With 12 Ω ahead of it:
    // |12 + 12 + j20.78| = 31.75 Ω, 0.756 A, 18.14 V on the coil and 9.07 on the resistance: 27.2 in all, of 24.
    const s = settle([source('R', 'C', 24), path('p', 'R', 'x', 12), coil('k', 'x', 'C', 24, 0.5)])
    expect(s.volts('d.x', 'd.C')).toBeCloseTo(18.14, 1)
    expect(s.volts('d.R', 'd.x')).toBeCloseTo(9.07, 1)
    expect(s.amps('d.k')).toBeCloseTo(0.756, 2)
  })

  it.each([
    [0, 0],
    // 2 · 24 · sin(60°)
    [120, 41.57],
    [180, 48],
  ])('two windings on one common, %d° apart, differ by %d V', (phase, expected) => {
    const s = settle([source('R', 'C', 24), source('S', 'C', 24, 1e-3, phase)], ['R', 'S', 'C'])
    expect(s.volts('d.R', 'd.S')).toBeCloseTo(expected, 1)
  })

  it('with its neutral lost, a split service gives its two sides what their ohms make of 240 V', () => {
    const legs = [source('L1', 'N', 120), source('N', 'L2', 120)]
    const loads = (n: string) => [heater('one', 'L1', n, 12), heater('two', n, 'L2', 24)]
    const sound = settle([...legs, ...loads('N')], ['L1', 'L2', 'N'])
    expect(sound.volts('d.L1', 'd.N')).toBeCloseTo(120, 1)
    // 240 · 12 / 36 = 80, and 160 on what was made for 120.
    const lost = settle([...legs, ...loads('m')], ['L1', 'L2', 'N'])
    expect(lost.volts('d.L1', 'd.m')).toBeCloseTo(80, 1)
    expect(lost.volts('d.m', 'd.L2')).toBeCloseTo(160, 1)
  })

  it('a bridge: none across it in balance; else what Thévenin says', () => {
    const arms = (r: [number, number, number, number]) => [
      source('R', 'C', 24),
      path('a', 'R', 'x', r[0]),
      path('b', 'x', 'C', r[1]),
      path('c', 'R', 'y', r[2]),
      path('d', 'y', 'C', r[3]),
      path('bridge', 'x', 'y', 30),
    ]
    expect(settle(arms([10, 20, 30, 60])).volts('d.x', 'd.y')).toBeLessThan(0.01)
    // 16 V against 8 V behind 10∥20 + 20∥10 = 13.33 Ω: 8 · 30 / 43.33 = 5.54 V
    expect(settle(arms([10, 20, 20, 10])).volts('d.x', 'd.y')).toBeCloseTo(5.54, 2)
  })

  it.each([
    // 24 V secondary of 40 VA, 26.4 V unloaded: (26.4 − 24) / (40 / 24) = 1.44 Ω behind it.
    // 20 VA is 28.8 Ω: 26.4 · 28.8 / 30.24 = 25.14 V
    [240, 240, 20, 25.14],
    // The 240 V tap on 208 V: 25.14 · 208 / 240 = 21.79
    [208, 240, 20, 21.79],
    // The 208 V tap on 240 V: 25.14 · 240 / 208 = 29.01
    [240, 208, 20, 29.01],
    // At its whole 40 VA, 14.4 Ω: 26.4 · 14.4 / 15.84 = 24.0
    [240, 240, 40, 24],
  ])('%d V on the %d V tap of a 40 VA transformer with %d VA on it: %d V', (line, tap, va, expected) => {
    const s = settle(
      [
        source('L1', 'L2', line),
        {
          kind: 'transformer',
          id: 't',
          a: 'L1',
          b: 'L2',
          c: 'R',
          d: 'C',
          primaryVolts: tap,
          secondaryVolts: 24,
          noLoadVolts: 26.4,
          va: 40,
        },
        coil('k', 'R', 'C', va, 1),
      ],
      ['L1', 'L2', 'R', 'C'],
    )
    expect(s.volts('d.R', 'd.C')).toBeCloseTo(expected, 1)
  })

  it('a short through 50 ft of 18 AWG is told by its amperes, not cleared: 24 / (0.5 + 2 · 0.324) = 20.9 A', () => {
    const fused = { ...contact('fuse', 'R', 'out', ALWAYS), gate: 'fuse', ratedA: 5 } as Part
    const supply = device('supply', ['R', 'C', 'out'], [source('R', 'C', 24, 0.5), fused])
    const far = device('far', ['Y', 'C'], [])
    const wires = [
      wire('go', 'a.out', 'b.Y', { gauge: 18, feet: 50 }),
      wire('back', 'a.C', 'b.C', { gauge: 18, feet: 50 }),
      wire('short', 'b.Y', 'b.C', { gauge: 18, feet: 0 }),
    ]
    const s = solve(new Circuit(install([placed('a', supply), placed('b', far)], wires)), quiet)
    if (!s.ok) throw new Error(s.why)
    expect(s.amps('a.fuse')).toBeCloseTo(20.9, 0)
    expect(s.overcurrents).toMatchObject([{ ref: 'a.fuse' }])
  })
})

describe('what every circuit of resistances obeys', () => {
  const ohms = fc.integer({ min: 1, max: 500 })
  // A ladder of three rungs: series a, shunt b, three times over.
  const ladder = (volts: number, r: number[]): Solution =>
    settle([
      source('R', 'C', volts, r[6]! / 100),
      path('a1', 'R', 'x', r[0]!),
      path('b1', 'x', 'C', r[1]!),
      path('a2', 'x', 'y', r[2]!),
      path('b2', 'y', 'C', r[3]!),
      path('a3', 'y', 'z', r[4]!),
      path('b3', 'z', 'C', r[5]!),
    ])
  const seven = fc.array(ohms, { minLength: 7, maxLength: 7 })

  it('a ladder is what folding it up from its end gives', () => {
    fc.assert(
      fc.property(seven, (r) => {
        const par = (a: number, b: number) => (a * b) / (a + b)
        const atY = par(r[3]!, r[4]! + r[5]!)
        const atX = par(r[1]!, r[2]! + atY)
        const x = (24 * atX) / (atX + r[0]! + r[6]! / 100)
        const y = (x * atY) / (atY + r[2]!)
        const z = (y * r[5]!) / (r[4]! + r[5]!)
        const s = ladder(24, r)
        expect(s.volts('d.x', 'd.C')).toBeCloseTo(x, 3)
        expect(s.volts('d.y', 'd.C')).toBeCloseTo(y, 3)
        expect(s.volts('d.z', 'd.C')).toBeCloseTo(z, 3)
      }),
      { seed: 7, numRuns: 60 },
    )
  })

  it('twice the volts give twice the volts everywhere, and the amperes into a point leave it', () => {
    fc.assert(
      fc.property(seven, (r) => {
        const [one, two] = [ladder(24, r), ladder(48, r)]
        for (const point of ['d.x', 'd.y', 'd.z'] as const)
          expect(two.volts(point, 'd.C')).toBeCloseTo(2 * one.volts(point, 'd.C'), 3)
        const amps = (a: Point, b: Point, ohmsBetween: number) => one.volts(a, b) / ohmsBetween
        expect(amps('d.R', 'd.x', r[0]!)).toBeCloseTo(
          amps('d.x', 'd.C', r[1]!) + amps('d.x', 'd.y', r[2]!),
          4,
        )
      }),
      { seed: 11, numRuns: 40 },
    )
  })
})
