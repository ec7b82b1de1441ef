import { ESTIMATES } from './estimates'

/** psi of one atmosphere. */
const ATMOSPHERE = 14.696

/**
 * psi of saturated vapour over water, and over ice below 32 °F (Magnus form; constants of Alduchov and Eskridge, 1996).
 * @param f °F, −60 to 150
 */
function saturation(f: number): number {
  const c = (f - 32) / 1.8
  const hPa =
    c >= 0 ? 6.1094 * Math.exp((17.625 * c) / (c + 243.04)) : 6.1121 * Math.exp((22.587 * c) / (c + 273.86))
  return hPa * 0.0145038
}

/** lb of water to a lb of dry air at a dew point, or at saturation, °F. */
export function moisture(dewF: number): number {
  const p = saturation(dewF)
  return (0.622 * p) / (ATMOSPHERE - p)
}

/** lb of water to a lb of dry air outdoors: by its dew point, else at the relative humidity that is usual. */
export const moistureOf = (outdoorF: number, dewF: number | null): number => {
  if (dewF !== null) return moisture(dewF)
  const p = saturation(outdoorF) * ESTIMATES.humidity
  return (0.622 * p) / (ATMOSPHERE - p)
}

/**
 * lb of frost an hour on a coil: ṁ_air · (W_air − W_sat(surface)) · 0.6 while the surface is below freezing.
 * @param tons of its unit
 */
export function frostRate(tons: number, outdoorF: number, surfaceF: number, dewF: number | null): number {
  if (surfaceF >= 32) return 0
  const over = moistureOf(outdoorF, dewF) - moisture(surfaceF)
  return Math.max(0, over) * ESTIMATES.coilAirLbPerTon * tons * ESTIMATES.coilLeaves
}

/** Part of clean capacity that a coil with so much frost has left. */
export const frostFactor = (lb: number, tons: number): number =>
  1 - (1 - ESTIMATES.blockedCapacity) * Math.min(1, lb / (ESTIMATES.blockLbPerTon * tons))

/** °F by which the coil stands below outdoors. */
export const splitOf = (capacityShare: number, lb: number, tons: number): number =>
  ESTIMATES.splitF *
  capacityShare *
  (1 + ESTIMATES.splitGrowth * Math.min(ESTIMATES.fullTimes, lb / (ESTIMATES.blockLbPerTon * tons)))

/** Part of its air that a coil with so much frost still takes. */
export const airShare = (lb: number, tons: number): number =>
  Math.max(0, 1 - lb / (ESTIMATES.fullTimes * ESTIMATES.blockLbPerTon * tons))
