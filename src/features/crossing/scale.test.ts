import type { CrossingView } from '@/core/crossing'
import { pathOf, scale, topOf, within } from './scale'

describe('the picture’s scales', () => {
  const x = scale([-20, 70], [46, 946])
  it('ten pixels a degree, there and back', () => {
    expect([x.to(-20), x.to(0), x.to(70)]).toEqual([46, 246, 946])
    expect(x.from(x.to(31))).toBeCloseTo(31, 9)
  })
  it('a curve begins anew after what is not known', () => {
    const y = scale([0, 100], [200, 0])
    expect(pathOf([0, 10, 20, 30], [50, 60, null, 40], x, y)).toBe('M246.0 100.0L346.0 80.0M546.0 120.0')
  })
  it('stays within what is drawn', () => expect([within(-40), within(12), within(99)]).toEqual([-20, 12, 70]))
  it('is as high as the load ten degrees under design, or what there is in mild weather', () => {
    const outdoorF = Array.from({ length: 91 }, (_, i) => i - 20)
    const view = (load: (t: number) => number) =>
      ({
        designF: 10,
        curve: { outdoorF, load: outdoorF.map(load), capacity: outdoorF.map(() => 30_000), withStrips: [] },
      }) as unknown as CrossingView
    // 600 · 65 = 39,000 at 0 °F, and a twentieth more: 40,950.
    expect(topOf(view((t) => 600 * (65 - t)))).toBe(50_000)
    // 31,500 for a small house under a large unit.
    expect(topOf(view(() => 1000))).toBe(40_000)
  })
})
