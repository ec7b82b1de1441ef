import { nth } from '../assert'
import type { Installation } from '../installation'
import { hasBurner, having } from '../query'
import { differencesFrom, misfits } from './differences'
import { harnessNets, lineNets } from './harness'
import { terms } from './kinds'
import { Landing } from './Landing'
import { USUAL, WIRING_PRACTICES, type Net, type PlanSetting, type WiringPractice } from './net'
import { intendedNets, type WiringChoice } from './nets'

/** The nets that a job should have, factory harnesses and line circuits included, and the settings that go with them. */
export interface IntendedWiring {
  /** The practice that the job comes nearest to. */
  practice: WiringPractice
  nets: readonly Net[]
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
    const all = [...nets, ...given]
    const landing = new Landing(inst, all)
    const rest = landing.unknown.length + settings.length / 2
    return [
      {
        practice: { fuel, defrost, emergency },
        nets: all,
        settings,
        rest,
        cost: misfits(landing) + settings.length / 2,
      },
    ]
  })
  const least = Math.min(...fitted.map((f) => f.cost))
  const near = fitted.filter((f) => f.cost <= least + CLOSE)
  const costs = near.length > 1 ? near.map((f) => differencesFrom(inst, f.nets).length + f.rest) : [0]
  return nth(near, costs.indexOf(Math.min(...costs)))
}

/** Misfits by which practices are too close to tell apart without their differences: two crossed conductors are four. */
const CLOSE = 3
