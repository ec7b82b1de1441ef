import type { Rating } from '../equipment'
import { required } from '../assert'
import { asReached, unitCurve } from './unitCurve'

const rating = (stage: Rating['stage'], outdoorF: number, capacityBtuh: number, cop: number): Rating => ({
  stage,
  outdoorF,
  capacityBtuh,
  cop,
})
const curve = (plate: Parameters<typeof unitCurve>[0]) => required(unitCurve(plate), 'a curve')

describe('a unit’s curve', () => {
  const two = curve({ ratings: [rating('rated', 47, 36_000, 3.6), rating('rated', 17, 21_000, 2.4)] })

  it('estimates frost where there is no rating at 35 °F: 10 % of capacity, 1.5 % of power, 8.6 % of COP', () => {
    // On the line at 35 °F: 30,000. Power 36,000 / 3412 / 3.6 = 2.93083 and 21,000 / 3412 / 2.4 = 2.56448 kW: 2.78429.
    expect(two.capacity(35)).toBeCloseTo(27_000, 6)
    expect(two.cop(35)).toBeCloseTo(27_000 / (3412 * 2.78429 * 0.985), 3)
    expect((two.cop(35) ?? 0) / (30_000 / (3412 * 2.78429))).toBeCloseTo(0.9137, 4)
    expect(two.cleanCapacity(35)).toBeCloseTo(30_000, 6)
    // Half of it half-way down to 17, and half-way up to 47.
    expect(two.capacity(26)).toBeCloseTo(25_500 * 0.95, 6)
    expect(two.capacity(41)).toBeCloseTo(33_000 * 0.95, 6)
    expect([two.capacity(17), two.capacity(47), two.frostEstimated]).toEqual([21_000, 36_000, true])
  })

  it('beyond its ratings goes on along 17 to 47 °F, with a COP of at least 1', () => {
    expect(two.capacity(57)).toBeCloseTo(41_000, 6)
    expect(two.capacity(7)).toBeCloseTo(16_000, 6)
    // At −25 °F nothing is left.
    expect(two.capacity(-25)).toBeCloseTo(0, 6)
    expect(two.capacity(-40)).toBe(0)
    expect(two.cop(-20)).toBe(1)
  })

  it('does not go on along 17 to 35 °F, which has frost in it', () => {
    const three = curve({
      ratings: [
        rating('rated', 47, 36_000, 3.6),
        rating('rated', 35, 26_000, 3),
        rating('rated', 17, 21_000, 2.4),
      ],
    })
    expect([three.capacity(35), three.frostEstimated]).toEqual([26_000, false])
    expect(three.capacity(7)).toBeCloseTo(16_000, 6)
    expect(three.capacity(57)).toBeCloseTo(41_000, 6)
  })

  it('below 5 °F goes on along 5 to 17, down to its maker’s floor', () => {
    const cold = curve({
      floorF: -13,
      ratings: [rating('max', 47, 40_000, 3), rating('max', 17, 34_000, 2.3), rating('max', 5, 28_000, 2)],
    })
    // 500 a degree
    expect(cold.capacity(-5)).toBeCloseTo(23_000, 6)
    expect([cold.capacity(-13), cold.capacity(-13.1)]).toEqual([expect.closeTo(19_000, 6), 0])
    expect(cold.cop(-13.1)).toBeNull()
    expect(cold.deliver(-14, 9000)).toMatchObject({ heat: 0, kw: 0 })
  })

  it('with COPs alone the COP is linear and the capacity is not known', () => {
    const bare = curve({
      ratings: [
        { stage: 'rated', outdoorF: 47, cop: 3.6 },
        { stage: 'rated', outdoorF: 17, cop: 2.4 },
      ],
    })
    expect(bare.capacity(47)).toBeNull()
    // On the line at 35 °F 3.12, less 8.6 %.
    expect(bare.cop(35)).toBeCloseTo(3.12 * 0.913706, 4)
    expect(bare.cop(32)).toBeCloseTo(3 * (1 - (0.086294 * 15) / 18), 4)
    expect(bare.deliver(47, 9000)).toBeNull()
  })

  it('takes a COP that was read where no capacity was, at the capacity of the curve', () => {
    const read = curve({
      ratings: [
        rating('rated', 47, 36_000, 3.6),
        rating('rated', 17, 21_000, 2.4),
        { stage: 'rated', outdoorF: 35, cop: 2.7 },
      ],
    })
    expect([read.capacity(35), read.cop(35)]).toEqual([expect.closeTo(27_000, 6), expect.closeTo(2.7, 6)])
  })

  it('with nothing but its tons takes what units of them usually have, and says so', () => {
    const usual = curve({ tons: 3 })
    expect([usual.capacity(47), usual.capacity(17), usual.fromTons]).toEqual([36_000, 21_600, true])
    expect(unitCurve({})).toBeNull()
  })

  it('of two stages runs the low one while it carries the load, and shares the hour above it', () => {
    const staged = curve({
      ratings: [
        rating('low', 47, 20_000, 4),
        rating('low', 17, 12_000, 2.5),
        rating('high', 47, 36_000, 3.6),
        rating('high', 17, 21_000, 2.4),
      ],
    })
    // 10,000 of 20,000: PLF 0.875; 10,000 / (3412 · 4 · 0.875) = 0.83738
    expect(staged.deliver(47, 10_000)).toMatchObject({ runs: 0.5, loadFactor: 0.5 })
    expect(staged.deliver(47, 10_000)?.kw).toBeCloseTo(0.83738, 4)
    // 28,000: half the hour each; (1.46542 + 2.93083) / 2 = 2.19812 kW
    expect(staged.deliver(47, 28_000)?.kw).toBeCloseTo(2.19812, 4)
    expect(staged.deliver(47, 28_000)).toMatchObject({ heat: 28_000, runs: 1, loadFactor: 1 })
    expect(staged.deliver(47, 50_000)?.heat).toBe(36_000)
  })

  it('of an inverter follows the load, its power in lines between least, rated and most', () => {
    const inverter = curve({
      inverter: true,
      ratings: [
        rating('min', 47, 10_000, 5),
        rating('rated', 47, 30_000, 4),
        rating('max', 47, 40_000, 3),
      ].flatMap((r) => [r, { ...r, outdoorF: 17 }]),
    })
    // At 47: 0.586166, 2.198124 and 3.907776 kW. 20,000 is half-way: 1.392145; 35,000 half-way up: 3.05295.
    expect(inverter.deliver(47, 20_000)?.kw).toBeCloseTo(1.392145, 4)
    expect(inverter.deliver(47, 35_000)?.kw).toBeCloseTo(3.05295, 4)
    // Below the least it cycles: 5,000 at a load factor of 0.5.
    expect(inverter.deliver(47, 5000)?.kw).toBeCloseTo(5000 / (3412 * 5 * 0.875), 6)
    expect(inverter.deliver(47, 5000)?.runs).toBe(0.5)
    // Its COP is that of what it delivers, and what it draws says what it gives: 20,000 / (3412 · 1.392145) = 4.2106.
    expect(inverter.steadyCop(47, 20_000)).toBeCloseTo(4.2106, 3)
    expect(inverter.steadyCop(47, 5000)).toBeCloseTo(5, 6)
    expect(inverter.steadyCop(47, null)).toBeCloseTo(4, 6)
    expect(inverter.heatFrom(47, 1.392145)).toBeCloseTo(20_000, -1)
    expect(inverter.heatFrom(47, 99)).toBeCloseTo(40_000, -1)
    // It has no frost at 17 and 47.
    expect(inverter.capacity(47)).toBe(40_000)
  })
})

describe('a unit of two stages as it is wired', () => {
  const unit = unitCurve({
    ratings: [
      { stage: 'low', outdoorF: 47, capacityBtuh: 24_000, cop: 4 },
      { stage: 'low', outdoorF: 17, capacityBtuh: 14_000, cop: 2.8 },
      { stage: 'high', outdoorF: 47, capacityBtuh: 36_000, cop: 3.6 },
      { stage: 'high', outdoorF: 17, capacityBtuh: 20_000, cop: 2.4 },
    ],
  })!
  it('is its low stage where no call brings the second, its high one where each brings both', () => {
    const low = asReached(unit, new Set([1]))
    expect([low.capacity(47), low.least]).toEqual([24_000, null])
    const high = asReached(unit, new Set([2]))
    expect([high.capacity(47), high.least]).toEqual([36_000, null])
    expect(asReached(unit, new Set([1, 2]))).toBe(unit)
    // Of one stage there is nothing to choose.
    const one = unitCurve({ ratings: [{ stage: 'rated', outdoorF: 47, capacityBtuh: 36_000, cop: 3.6 }] })!
    expect(asReached(one, new Set([1]))).toBe(one)
  })
})
