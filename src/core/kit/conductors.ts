import type { CableRating } from '../house'

/** A: standard ratings of breakers and fuses (NEC 240.6). */
const STANDARD_BREAKERS = [
  15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200,
] as const
/** The smallest standard breaker of at least so many amps. */
export const nextBreaker = (amps: number): number =>
  STANDARD_BREAKERS.find((s) => s >= amps - 1e-9) ?? Infinity
/**
 * A by AWG, at most three in a cable, 30 °C around (NEC 310.16). `copper60` is non-metallic cable, or terminals that are
 * not marked 75 °C. 14, 12 and 10 AWG stand at what overcurrent devices are held to beside them only where strips are
 * concerned (NEC 240.4(D)): that cap is not in this table.
 */
const AMPACITY: Record<CableRating, Readonly<Record<number, number>>> = {
  copper75: { 14: 20, 12: 25, 10: 35, 8: 50, 6: 65, 4: 85, 3: 100, 2: 115 },
  copper60: { 14: 15, 12: 20, 10: 30, 8: 40, 6: 55, 4: 70, 3: 85, 2: 95 },
  aluminium75: { 6: 50, 4: 65, 3: 75, 2: 90 },
}
/** A: the most that may protect the small gauges on anything but a motor (NEC 240.4(D)). */
const SMALL_CAP: Readonly<Record<number, number>> = { 14: 15, 12: 20, 10: 30 }

/** A that a conductor may be asked for; undefined for a gauge that the table lacks. */
export const ampacityOf = (gauge: number, rating: CableRating): number | undefined => AMPACITY[rating][gauge]

/** The thinnest conductor, AWG, that carries so many amps; null: none of the table does. */
export function conductorFor(amps: number, rating: CableRating, motor = false): number | null {
  const gauges = Object.keys(AMPACITY[rating])
    .map(Number)
    .sort((a, b) => b - a)
  return gauges.find((g) => carries(g, rating, motor) >= amps - 1e-9) ?? null
}
/** What a gauge may carry on strips; a motor circuit's small gauges are not capped (NEC 240.4(G), article 440). */
export function carries(gauge: number, rating: CableRating, motor: boolean): number {
  const amps = AMPACITY[rating][gauge] ?? 0
  return motor ? amps : Math.min(amps, SMALL_CAP[gauge] ?? Infinity)
}

/** The largest breaker that may protect a conductor: the next standard size above its ampacity (NEC 240.4(B)). */
export const largestBreaker = (gauge: number, rating: CableRating, motor = false): number => {
  const cap = motor ? undefined : SMALL_CAP[gauge]
  return cap ?? nextBreaker(AMPACITY[rating][gauge] ?? 0)
}
