import { frostOver, melt, standStill } from './coil'
import { frostFactor, frostRate, moisture, moistureOf } from './frost'

describe('frost', () => {
  it('moisture of saturated air is what tables have of it', () => {
    // 32 °F: 0.00379 lb/lb; 47 °F: 0.00684; 17 °F over ice: 0.00185 (psychrometric tables, to a hundredth).
    expect(moisture(32)).toBeCloseTo(0.00379, 4)
    expect(moisture(47)).toBeCloseTo(0.0068, 3)
    expect(moisture(17)).toBeCloseTo(0.00185, 4)
    expect(moistureOf(40, 40)).toBeCloseTo(moisture(40), 9)
    expect(moistureOf(40, null)).toBeLessThan(moisture(40))
  })

  it('forms below freezing only, and worst just above it outdoors in humid air', () => {
    expect(frostRate(3, 50, 38, 50)).toBe(0)
    const at = (outdoorF: number) => frostRate(3, outdoorF, outdoorF - 12, null)
    expect(at(36)).toBeGreaterThan(at(25))
    expect(at(25)).toBeGreaterThan(at(5))
    expect(frostRate(3, 34, 22, 34)).toBeGreaterThan(frostRate(3, 34, 22, null))
  })

  it('takes capacity to 65 % at three pounds a ton, in a straight line', () => {
    expect(frostFactor(0, 3)).toBe(1)
    expect(frostFactor(4.5, 3)).toBeCloseTo(0.825, 9)
    expect(frostFactor(9, 3)).toBeCloseTo(0.65, 9)
    expect(frostFactor(20, 3)).toBeCloseTo(0.65, 9)
  })
})

describe('an outdoor coil', () => {
  it('comes two thirds of the way to its split in 45 s', () => {
    const coil = { coilF: 30, frostLb: 0 }
    frostOver(coil, 3, 1, 30, 0, 45)
    // 30 − 12 · (1 − 1/e) = 22.41.
    expect(coil.coilF).toBeCloseTo(30 - 12 * (1 - 1 / Math.E), 6)
  })

  it('takes no more frost than lets air through: half more than what blocks it', () => {
    // 3 tons: 9 lb block it, 13.5 are all. At half of that half the air goes through.
    const rate = (lb: number) => {
      const coil = { coilF: 22, frostLb: lb }
      frostOver(coil, 3, 1, 34, 34, 1)
      return coil.frostLb - lb
    }
    expect(rate(13.5)).toBe(0)
    expect(rate(6.75) / rate(0)).toBeCloseTo(0.5, 1)
  })

  it('melts: to freezing, then the ice at 144 BTU a pound, then on', () => {
    // 3 tons hold 24 BTU/°F. From 20 °F with 1 lb: 24 · 12 = 288 BTU, 144 BTU, and to 65 °F 24 · 33 = 792: 1,224 together.
    const melts = 20_000
    const coil = { coilF: 20, frostLb: 1 }
    melt(coil, 3, melts, false, 30, (288 / melts) * 3600)
    expect(coil).toEqual({ coilF: expect.closeTo(32, 6), frostLb: expect.closeTo(1, 6) })
    melt(coil, 3, melts, false, 30, (144 / melts) * 3600)
    expect(coil).toEqual({ coilF: expect.closeTo(32, 6), frostLb: expect.closeTo(0, 6) })
    melt(coil, 3, melts, false, 30, (792 / melts) * 3600)
    expect(coil.coilF).toBeCloseTo(65, 6)
    // In one stretch it comes to the same.
    const once = { coilF: 20, frostLb: 1 }
    melt(once, 3, melts, false, 30, (1224 / melts) * 3600)
    expect(once.coilF).toBeCloseTo(65, 6)
  })

  it('a fan that does not stop takes of its heat, so that it melts later', () => {
    const [still, blown] = [
      { coilF: 32, frostLb: 3 },
      { coilF: 32, frostLb: 3 },
    ]
    melt(still, 3, 20_000, false, 20, 60)
    melt(blown, 3, 20_000, true, 20, 60)
    // 350 · 3 · 12 = 12,600 of the 20,000 go with the air: 60 s of 7,400 BTU/h are 123.3 BTU, 0.857 lb of three.
    expect(still.frostLb).toBeCloseTo(3 - 20_000 / 60 / 144, 6)
    expect(blown.frostLb).toBeCloseTo(3 - 7400 / 60 / 144, 6)
  })

  it('at rest comes to the air, and thaws only above freezing', () => {
    const cold = { coilF: 10, frostLb: 1 }
    standStill(cold, 3, 25, 400)
    expect(cold.coilF).toBeCloseTo(25 - 15 / Math.E, 6)
    expect(cold.frostLb).toBe(1)
    const mild = { coilF: 10, frostLb: 1 }
    standStill(mild, 3, 42, 3600)
    // 0.25 · 350 · 3 · 10 = 2,625 BTU: more than the 144 that it takes.
    expect(mild.frostLb).toBe(0)
  })
})
