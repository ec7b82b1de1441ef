import { ESTIMATES } from './estimates'
import { airShare, frostRate, splitOf } from './frost'

/** An outdoor coil: °F of its surface, lb of frost on it. */
export interface Coil {
  coilF: number
  frostLb: number
}

/** Δ°F by which a coil that runs at a share of its capacity is colder under outdoors than a clean one. */
export const frostDrop = (coilF: number, outdoorF: number, share: number): number =>
  outdoorF - coilF - splitOf(share, 0, 1)

/** °F after so many s of the way from one to another: e^(−s/τ) of it is left. */
export const toward = (from: number, to: number, seconds: number, tau: number): number =>
  to + (from - to) * Math.exp(-seconds / tau)

/**
 * A coil that takes heat from outdoors for `s` seconds: colder than the air by its split, and frost on it.
 * @param share of capacity at 47 °F that it takes; @param dewF null: nobody knows
 */
export function frostOver(
  coil: Coil,
  tons: number,
  share: number,
  outdoorF: number,
  dewF: number | null,
  s: number,
): void {
  const to = outdoorF - splitOf(share, coil.frostLb, tons)
  coil.coilF = toward(coil.coilF, to, s, ESTIMATES.coilRunS)
  const rate = frostRate(tons, outdoorF, coil.coilF, dewF) * airShare(coil.frostLb, tons)
  coil.frostLb += (rate * s) / 3600
}

/**
 * A coil in a defrost: to freezing, then the ice, then on.
 * @param melts BTU/h of hot gas; @param fan the outdoor fan runs all the same, and takes some of it away
 */
export function melt(
  coil: Coil,
  tons: number,
  melts: number,
  fan: boolean,
  outdoorF: number,
  s: number,
): void {
  const mass = ESTIMATES.coilBtuPerFTon * tons
  const lost = fan ? ESTIMATES.fanBtuPerFTon * tons * Math.max(0, coil.coilF - outdoorF) : 0
  let btu = ((melts - lost) * s) / 3600
  if (coil.coilF < 32 && btu > 0) {
    const warm = Math.min(btu, mass * (32 - coil.coilF))
    coil.coilF += warm / mass
    btu -= warm
  }
  if (coil.frostLb > 0 && btu > 0 && coil.coilF >= 32 - 1e-9) {
    const lb = Math.min(coil.frostLb, btu / ESTIMATES.btuPerLb)
    coil.frostLb -= lb
    btu -= lb * ESTIMATES.btuPerLb
  }
  coil.coilF += btu / mass
}

/** Part of what a running fan would bring that still air does. */
const STILL_SHARE = 0.25

/** A coil at rest: on its way to outdoors, and its frost melting where that is above freezing. */
export function standStill(coil: Coil, tons: number, outdoorF: number, s: number): void {
  coil.coilF = toward(coil.coilF, outdoorF, s, ESTIMATES.coilStillS)
  if (outdoorF <= 32) return
  const btu = (STILL_SHARE * ESTIMATES.fanBtuPerFTon * tons * (outdoorF - 32) * s) / 3600
  coil.frostLb = Math.max(0, coil.frostLb - btu / ESTIMATES.btuPerLb)
}
