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
  copper75: { 14: 20, 12: 25, 10: 35, 8: 50, 6: 65, 4: 85, 3: 100, 2: 115, 1: 130, 0: 150 },
  copper60: { 14: 15, 12: 20, 10: 30, 8: 40, 6: 55, 4: 70, 3: 85, 2: 95, 1: 110, 0: 125 },
  aluminium75: { 12: 20, 10: 30, 8: 40, 6: 50, 4: 65, 3: 75, 2: 90, 1: 100, 0: 120 },
}
/** A: the most that may protect the small gauges on anything but a motor (NEC 240.4(D)). */
const SMALL_CAP: Record<CableRating, Readonly<Record<number, number>>> = {
  copper75: { 14: 15, 12: 20, 10: 30 },
  copper60: { 14: 15, 12: 20, 10: 30 },
  aluminium75: { 12: 15, 10: 25 },
}

/** The gauge of the table that carries no more: itself, or the next thinner one; null: thinner than any that carries a line. */
function listed(gauge: number, rating: CableRating): number | null {
  const thinner = Object.keys(AMPACITY[rating])
    .map(Number)
    .filter((g) => g >= gauge)
  return thinner.length ? Math.min(...thinner) : null
}

/** A that a conductor may be asked for; 0 for one that is thinner than any which may carry a line circuit. */
export function ampacityOf(gauge: number, rating: CableRating): number {
  const known = listed(gauge, rating)
  return known === null ? 0 : (AMPACITY[rating][known] ?? 0)
}

/** The thinnest conductor, AWG, that carries so many amps; null: none of the table does. */
export function conductorFor(amps: number, rating: CableRating, motor = false): number | null {
  const gauges = Object.keys(AMPACITY[rating])
    .map(Number)
    .sort((a, b) => b - a)
  return gauges.find((g) => carries(g, rating, motor) >= amps - 1e-9) ?? null
}
/** Ampacity limit of a gauge on strips; a motor circuit's small gauges are not capped (NEC 240.4(G), article 440). */
export function carries(gauge: number, rating: CableRating, motor: boolean): number {
  const amps = ampacityOf(gauge, rating)
  return motor ? amps : Math.min(amps, capOf(gauge, rating) ?? Infinity)
}

const capOf = (gauge: number, rating: CableRating): number | undefined => {
  const known = listed(gauge, rating)
  return known === null ? undefined : SMALL_CAP[rating][known]
}

/** The largest breaker that may protect a conductor: the next standard size above its ampacity (NEC 240.4(B)); 0 for one that may carry no line circuit. */
export const largestBreaker = (gauge: number, rating: CableRating, motor = false): number => {
  const amps = ampacityOf(gauge, rating)
  return (motor ? undefined : capOf(gauge, rating)) ?? (amps ? nextBreaker(amps) : 0)
}
