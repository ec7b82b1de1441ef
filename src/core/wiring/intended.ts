import type { Installation } from '../installation'
import { hasBurner, having } from '../query'
import { differencesOf, misfits, type Difference } from './differences'
import { harnessNets, lineNets } from './harness'
import { terms } from './kinds'
import { Landing } from './Landing'
import { USUAL, WIRING_PRACTICES, type PlanSetting, type WiringPractice } from './net'
import { intendedNets, type WiringChoice } from './nets'

/** How a job differs from the wiring that it should have, factory harnesses and line circuits included. */
export interface IntendedWiring {
  /** The practice that the job comes nearest to. */
  practice: WiringPractice
  differences: readonly Difference[]
  /** Settings that have to be others for that wiring. */
  settings: readonly PlanSetting[]
}

/** A choice of practice, and of what else the equipment leaves open. */
type Way = WiringPractice & Required<WiringChoice>

/** Every way in which this equipment might be wired, the usual one first. */
function waysFor(inst: Installation): Way[] {
  const first = <T>(list: readonly T[], usual: T): T[] => [usual, ...list.filter((x) => x !== usual)]
  const talks = inst.placed.filter((p) => terms(p, 'bus').length === 2).length > 1
  const relays = having(inst, 'isolates')
  const orders = relays.length === 2 ? [relays, [...relays].reverse()] : [relays]
  return (hasBurner(inst) ? first(WIRING_PRACTICES.fuel, USUAL.fuel) : [USUAL.fuel]).flatMap((fuel) =>
    first(WIRING_PRACTICES.defrost, USUAL.defrost).flatMap((defrost) =>
      first(WIRING_PRACTICES.emergency, USUAL.emergency).flatMap((emergency) =>
        (talks ? [true, false] : [false]).flatMap((overBus) =>
          orders.map((relays) => ({ fuel, defrost, emergency, overBus, relays })),
        ),
      ),
    ),
  )
}

/**
 * The wiring that a job's equipment should have. Where good practitioners differ, the practice that the job's own conductors
 * and settings come nearest to is taken: nobody who wired by one practice has made an error by another.
 */
export function intendedWiring(inst: Installation): IntendedWiring {
  const given = [...harnessNets(inst), ...lineNets(inst)]
  const known = new Set<string>()
  const fitted = waysFor(inst).flatMap((way) => {
    const { nets, settings } = intendedNets(inst, way, way)
    const { fuel, defrost, emergency } = way
    // Most choices of practice are about equipment that this job does not have.
    const key = JSON.stringify([nets, settings])
    if (known.has(key)) return []
    known.add(key)
    const landing = new Landing(inst, [...nets, ...given])
    const cost = misfits(landing) + settings.length / 2
    return [{ practice: { fuel, defrost, emergency }, settings, landing, cost }]
  })
  const least = Math.min(...fitted.map((f) => f.cost))
  const near = fitted
    .filter((f) => f.cost <= least + CLOSE)
    .map(({ practice, settings, landing }) => {
      const differences = differencesOf(landing)
      const cost = differences.length + landing.unknown.length + settings.length / 2
      return { practice, settings, differences, cost }
    })
  // The first of those that cost the same: the usual one.
  return near.reduce((best, way) => (way.cost < best.cost ? way : best))
}

/** Misfits by which practices are too close to tell apart without their differences: two crossed conductors are four. */
const CLOSE = 3
