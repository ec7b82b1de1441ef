import type { Rating } from '../equipment'
import { BTU_PER_KWH } from '../house'

/** Share of capacity, and of power, that frost takes at 35 °F from the straight line between 17 and 47. */
const FROST = { capacity: 0.1, power: 0.015, at: 35, from: 17, to: 47 } as const

interface Point {
  at: number
  value: number
}

/**
 * A heat pump stage's capacity and power by outdoor temperature (°F). Each is null where the ratings do not give it.
 */
export interface StageCurve {
  stage: Rating['stage']
  /** BTU/h. */
  capacity: (outdoorF: number) => number | null
  /** The same without what frost takes: what runs just after a defrost. */
  cleanCapacity: (outdoorF: number) => number | null
  cop: (outdoorF: number) => number | null
  /** The figures between 17 and 47 °F hold an estimate of frost, since no rating at 35 °F was given. */
  frostEstimated: boolean
}

/** Along the points in straight lines; beyond the ends on the line that `beyond` names. */
function along(points: readonly Point[], beyond: Beyond, at: number): number | null {
  const [first] = points
  const last = points[points.length - 1]
  if (!first || !last) return null
  if (points.length === 1) return at === first.at ? first.value : null
  if (at > last.at) return onLine(beyond.above, at)
  if (at < first.at) return onLine(beyond.below, at)
  const right = points.findIndex((p) => p.at >= at)
  const [a, b] = [points[Math.max(0, right - 1)], points[right]]
  return a && b ? onLine([a, b], at) : null
}
const onLine = ([a, b]: readonly [Point, Point], at: number): number =>
  a.at === b.at ? a.value : a.value + ((b.value - a.value) * (at - a.at)) / (b.at - a.at)

interface Beyond {
  below: readonly [Point, Point]
  above: readonly [Point, Point]
}

/**
 * Which two points carry on beyond the ends: above 47 °F, and below 17 °F without a colder rating, those at 17 and 47,
 * since a slope from 17 to 35 has frost in it; below a colder rating, it and the next.
 */
function beyondOf(points: readonly Point[]): Beyond | null {
  const sorted = points
  const [first, second] = sorted
  const [last, before] = [sorted[sorted.length - 1], sorted[sorted.length - 2]]
  if (!first || !second || !last || !before) return null
  const [cold, mild] = [FROST.from, FROST.to].map((t) => sorted.find((p) => p.at === t))
  const rated = cold && mild ? ([cold, mild] as const) : null
  return {
    below: rated && first.at === FROST.from ? rated : [first, second],
    above: rated && last.at === FROST.to ? rated : [before, last],
  }
}

/** A figure over temperature, with an estimate of frost where there are 17 and 47 °F and nothing between. */
function curveOf(points: readonly Point[], frostShare: number) {
  const sorted = [...points].sort((a, b) => a.at - b.at)
  const beyond = beyondOf(sorted)
  const hasEnds = sorted.some((p) => p.at === FROST.from) && sorted.some((p) => p.at === FROST.to)
  const estimated = hasEnds && !sorted.some((p) => p.at > FROST.from && p.at < FROST.to)
  const clean = (at: number): number | null =>
    beyond ? along(sorted, beyond, at) : (sorted.find((p) => p.at === at)?.value ?? null)
  const frosted = (at: number): number | null => {
    const value = clean(at)
    return value === null || !estimated ? value : value * (1 - frostShare * frostWeight(at))
  }
  return { clean, frosted, estimated, low: sorted[0]?.at ?? NaN, high: sorted[sorted.length - 1]?.at ?? NaN }
}

/** 1 at 35 °F, fading to 0 at 17 and at 47. */
function frostWeight(at: number): number {
  if (at <= FROST.from || at >= FROST.to) return 0
  return at <= FROST.at
    ? (at - FROST.from) / (FROST.at - FROST.from)
    : (FROST.to - at) / (FROST.to - FROST.at)
}

/**
 * kW at a rating: as given, or by the COP that is, at the capacity that is given or else at the curve's there; undefined
 * where neither is.
 */
function kwOf(r: Rating, capacityAt: (outdoorF: number) => number | null): number | undefined {
  if (r.powerKw !== undefined || r.cop === undefined) return r.powerKw
  const capacity = r.capacityBtuh ?? capacityAt(r.outdoorF)
  return capacity === null ? undefined : capacity / (BTU_PER_KWH * r.cop)
}

const pointsOf = (ratings: readonly Rating[], value: (r: Rating) => number | undefined): Point[] =>
  ratings.flatMap((r) => {
    const v = value(r)
    return v === undefined ? [] : [{ at: r.outdoorF, value: v }]
  })

/**
 * The curve of one stage. Capacity and power are each piecewise linear through the rating points, COP is their quotient;
 * where only COPs are known COP itself is linear. Frost (no rating between 17 and 47 °F) takes 10 % of capacity and 1.5 %
 * of power at 35 °F, and so 8.6 % of COP. A COP that lies beyond the ratings is never below 1.
 */
export function stageCurve(stage: Rating['stage'], all: readonly Rating[]): StageCurve | null {
  const ratings = all.filter((r) => r.stage === stage)
  if (!ratings.length) return null
  const capacity = curveOf(
    pointsOf(ratings, (r) => r.capacityBtuh),
    FROST.capacity,
  )
  const power = curveOf(
    pointsOf(ratings, (r) => kwOf(r, capacity.frosted)),
    FROST.power,
  )
  const copOnly = curveOf(
    pointsOf(ratings, (r) => r.cop),
    1 - (1 - FROST.capacity) / (1 - FROST.power),
  )
  const atLeastNothing = (v: number | null) => (v === null ? null : Math.max(0, v))
  return {
    stage,
    capacity: (at) => atLeastNothing(capacity.frosted(at)),
    cleanCapacity: (at) => atLeastNothing(capacity.clean(at)),
    cop(at) {
      const [q, kw] = [capacity.frosted(at), power.frosted(at)]
      const both = q !== null && kw !== null
      const [low, high] = both ? [power.low, power.high] : [copOnly.low, copOnly.high]
      const cop = both ? (kw > 0 ? q / (BTU_PER_KWH * kw) : 1) : copOnly.frosted(at)
      if (cop === null) return null
      return at < low || at > high ? Math.max(1, cop) : cop
    },
    frostEstimated:
      capacity.estimated || (!ratings.some((r) => r.capacityBtuh !== undefined) && copOnly.estimated),
  }
}
