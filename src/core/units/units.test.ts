import { between, celsius, degF, deltaF, kelvins, warmer, wireOhms } from '.'

describe('units', () => {
  it('converts temperatures with the offset and differences without it', () => {
    expect(celsius(degF(32))).toBe(0)
    expect(celsius(degF(212))).toBeCloseTo(100, 9)
    expect(celsius(degF(-40))).toBeCloseTo(-40, 9)
    expect(kelvins(deltaF(18))).toBeCloseTo(10, 9)
    expect(warmer(degF(35), deltaF(5))).toBe(40)
    expect(between(degF(35), degF(47))).toBe(-12)
  })

  // Handbook values for solid copper at 20 °C, Ω per 1,000 ft.
  it.each([
    [18, 6.385],
    [14, 2.525],
    [10, 0.9989],
    [6, 0.3951],
    [4, 0.2485],
  ])('gauge %i has the handbook resistance', (gauge, ohms) => {
    expect(wireOhms(gauge, 1000)).toBeGreaterThan(ohms * 0.998)
    expect(wireOhms(gauge, 1000)).toBeLessThan(ohms * 1.002)
  })

  it('gives nothing for no length', () => expect(wireOhms(18, 0)).toBe(0))
})
