import type { EvalContext } from './expr/evalContext'
import { evaluateLeaf, type Leaf } from './expr/expr'
import { every, opposite, some, truth, type Truth } from './expr/truth'
import type { Quantity, Unknowable, Value } from './value'

/**
 * Temperatures that a device senses, °F: the refrigerant coil, entering air, leaving air. `frostDrop`: Δ°F by which the
 * coil is colder, against outdoors, than a clean coil; a demand board learns it after each defrost.
 */
export const FELT = ['coil', 'enteringAir', 'leavingAir', 'frostDrop'] as const
export type Felt = (typeof FELT)[number]

/** True above, or below, a temperature (°F) that the device feels. Exactly one of the two stands. */
export interface FeltLeaf {
  feels: Felt
  above?: Quantity
  below?: Quantity
}
/** True while one of the device's own contacts is closed: a timer that starts when its output drops. */
export interface ClosedLeaf {
  closed: string
}
/** Condition of a transition. A driver has no time in it; this may also read the device's contacts and its air. */
export type When = { all: When[] } | { any: When[] } | { not: When } | Leaf | FeltLeaf | ClosedLeaf

/** s: fixed, or a setting of the device, scaled (60 for minutes); a choice counts by the number that its id is. */
export type Duration = Quantity

/**
 * A way out of a mode's state without an event. Its seconds count while the mode is in `from` and `when` is true; when
 * they are full the mode goes to `to`. A state without such a way in is entered by an event alone (a fault, water).
 */
export interface Transition {
  from: string
  to: string
  /** Left out: always. */
  when?: When
  /**
   * `while`: counted as long as `when` holds (usual). `begins`, `ends`: counted from the instant at which it does,
   * whatever it does afterwards.
   */
  counts?: 'while' | 'begins' | 'ends'
  /** Left out: at once. */
  after?: Duration
  /** Several runs add up; else each run is counted from nothing. */
  accumulates?: boolean
  /** Puts the count back to nothing. */
  reset?: When
}

/** Values that a transition may read, beyond those of a driver. */
export interface TransitionContext extends EvalContext {
  closed(part: string): Truth
  /** °F; null where nobody knows. */
  feels(what: Felt): Unknowable<number>
}

/** The leaves of it, in reading order. */
export function whenLeaves(when: When): (Leaf | FeltLeaf | ClosedLeaf)[] {
  if ('all' in when) return when.all.flatMap(whenLeaves)
  if ('any' in when) return when.any.flatMap(whenLeaves)
  if ('not' in when) return whenLeaves(when.not)
  return [when]
}

/** The leaves that depend on air or a coil. */
export const feltLeaves = (when: When | undefined): FeltLeaf[] =>
  when ? whenLeaves(when).filter((l): l is FeltLeaf => 'feels' in l) : []

/** °F above or below which a leaf stands; null where its setting is not known. */
export const feltPoint = (leaf: FeltLeaf, setting: (id: string) => Unknowable<Value>): Unknowable<number> =>
  amountOf(leaf.above ?? leaf.below ?? 0, setting)

export function evaluateWhen(when: When, context: TransitionContext): Truth {
  if ('all' in when) return every(when.all.map((w) => evaluateWhen(w, context)))
  if ('any' in when) return some(when.any.map((w) => evaluateWhen(w, context)))
  if ('not' in when) return opposite(evaluateWhen(when.not, context))
  if ('closed' in when) return context.closed(when.closed)
  if ('feels' in when) {
    const now = context.feels(when.feels)
    const point = feltPoint(when, context.setting)
    if (now === null || point === null) return 'unknown'
    return truth(when.above === undefined ? now < point : now > point)
  }
  return evaluateLeaf(when, context)
}

/** A felt temperature that let a transition go, and the point that it passed, °F. */
export interface FeltCause {
  feels: Felt
  side: 'above' | 'below'
  at: number
}

/**
 * Among the true branches, the temperature that passed its limit last: it is nearest to it. Null: no temperature is
 * read.
 */
export function feltCause(when: When, context: TransitionContext): FeltCause | null {
  let found: FeltCause | null = null
  let nearest = Infinity
  const look = (w: When): void => {
    if (evaluateWhen(w, context) !== 'yes') return
    if ('all' in w) w.all.forEach(look)
    else if ('any' in w) w.any.forEach(look)
    else if ('feels' in w) {
      const [now, at] = [context.feels(w.feels), feltPoint(w, context.setting)]
      if (now === null || at === null || Math.abs(now - at) >= nearest) return
      nearest = Math.abs(now - at)
      found = { feels: w.feels, side: w.above === undefined ? 'below' : 'above', at }
    }
  }
  look(when)
  return found
}

/** A quantity by the settings; null where its setting is not known, or is no number. */
export function amountOf(q: Quantity, setting: (id: string) => Unknowable<Value>): Unknowable<number> {
  if (typeof q === 'number') return q
  const value = setting(q.set)
  if (value === null || value === '') return null
  const number = Number(value)
  return Number.isFinite(number) ? number * (q.times ?? 1) : null
}
