import type { Known, Quantity, Value } from '../value'
import type { Sight } from './sight'
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
  below: Known<number>
  band: number
  setting: string | null
  /** Inside the differential. */
  inBand: boolean
}

const point = (q: Quantity, setting: (id: string) => Known<Value>): Known<number> => {
  if (typeof q === 'number') return q
  const value = setting(q.set)
  return typeof value === 'number' ? value * (q.times ?? 1) : null
}

/** Name of the differential's memory in a situation's modes: one for each setting (or fixed point) of a device. */
export const memoryId = (leaf: SenseLeaf): string =>
  `band:${typeof leaf.below === 'number' ? leaf.below : leaf.below.set}`

export const senseLeaf = {
  evaluate(leaf: SenseLeaf, sight: Sight): Truth {
    const below = point(leaf.below, sight.setting)
    if (below === null) return 'unknown'
    if (sight.outdoorF < below) return 'yes'
    if (sight.outdoorF >= below + (leaf.band ?? 0)) return 'no'
    const last = sight.memory(memoryId(leaf))
    return last === null ? 'unknown' : truth(last === 'made')
  },
  explain(leaf: SenseLeaf, sight: Sight): SenseBecause {
    const below = point(leaf.below, sight.setting)
    const band = leaf.band ?? 0
    return {
      kind: 'sense',
      sense: leaf.sense,
      at: sight.outdoorF,
      below,
      band,
      setting: typeof leaf.below === 'number' ? null : leaf.below.set,
      inBand: below !== null && sight.outdoorF >= below && sight.outdoorF < below + band,
    }
  },
  /** °F at which the answer changes: the point, and the top of the band where there is one. */
  cuts(leaf: SenseLeaf, setting: (id: string) => Known<Value>): number[] {
    const below = point(leaf.below, setting)
    if (below === null) return []
    return leaf.band ? [below, below + leaf.band] : [below]
  },
}
