import { degF, type DegF } from '../../units'
import type { Unknowable, Quantity, Value } from '../value'
import type { EvalContext } from './evalContext'
import { truth, type Truth } from './truth'

/**
 * True below a temperature (°F), fixed or set. With a band (Fahrenheit degrees) it is a switch with a differential:
 * it makes on a fall below the point and breaks on a rise to the point plus the band; between, it does what it did.
 */
export interface SenseLeaf {
  sense: 'outdoor'
  below: Quantity
  band?: number
}
export interface SenseBecause {
  kind: 'sense'
  sense: 'outdoor'
  /** °F now. */
  at: number
  /** °F; null: the setting is not known yet. */
  below: Unknowable<number>
  band: number
  setting: string | null
  /** Inside the differential. */
  inBand: boolean
}

const point = (q: Quantity, setting: (id: string) => Unknowable<Value>): Unknowable<number> => {
  if (typeof q === 'number') return q
  const value = setting(q.set)
  return typeof value === 'number' ? value * (q.times ?? 1) : null
}

/** Name of the differential's memory in a situation's modes: one for each setting (or fixed point) of a device. */
export const memoryId = (leaf: SenseLeaf): string =>
  `band:${typeof leaf.below === 'number' ? leaf.below : leaf.below.set}`

export const senseLeaf = {
  evaluate(leaf: SenseLeaf, context: EvalContext): Truth {
    const below = point(leaf.below, context.setting)
    if (below === null) return 'unknown'
    if (context.outdoorF < below) return 'yes'
    if (context.outdoorF >= below + (leaf.band ?? 0)) return 'no'
    const last = context.memory(memoryId(leaf))
    return last === null ? 'unknown' : truth(last === 'made')
  },
  explain(leaf: SenseLeaf, context: EvalContext): SenseBecause {
    const below = point(leaf.below, context.setting)
    const band = leaf.band ?? 0
    return {
      kind: 'sense',
      sense: leaf.sense,
      at: context.outdoorF,
      below,
      band,
      setting: typeof leaf.below === 'number' ? null : leaf.below.set,
      inBand: below !== null && context.outdoorF >= below && context.outdoorF < below + band,
    }
  },
  /** °F at which the answer changes: the point, and the top of the band where there is one. */
  breakpoints(leaf: SenseLeaf, setting: (id: string) => Unknowable<Value>): DegF[] {
    const below = point(leaf.below, setting)
    if (below === null) return []
    return (leaf.band ? [below, below + leaf.band] : [below]).map(degF)
  },
}
