import type { OutdoorUnitPlate, Rating } from '../equipment'
import { BTU_PER_KWH, type UnitFigures } from '../house'
import { stageCurve, type StageCurve } from './stageCurve'

/** Degradation by cycling where the plate says nothing (AHRI 210/240's default). */
const USUAL_CD = 0.25

/** A heat pump as it runs for a load at an outdoor temperature. */
export interface Delivered {
  /** BTU/h that it gives. */
  heat: number
  /** kW that it draws, blower included, averaged over the hour; null: its COP is not known. */
  kw: number | null
  /** Share of the hour that its compressor runs. */
  runs: number
  /** Load factor of the stage that cycles; 1: none does. */
  loadFactor: number
}

/** Capacity and power of the outdoor unit, from its ratings. */
export interface UnitCurve extends UnitFigures {
  /** BTU/h at full stage; null: not known there. */
  capacity: (outdoorF: number) => number | null
  /** The same without what frost takes. */
  cleanCapacity: (outdoorF: number) => number | null
  /** COP at full stage. */
  cop: (outdoorF: number) => number | null
  /** COP while it carries a load, BTU/h, what cycling costs left out; null: at its rated or full stage. */
  steadyCop: (outdoorF: number, load: number | null) => number | null
  /** How it carries a load, BTU/h; null where its capacity is not known. */
  deliver: (outdoorF: number, load: number) => Delivered | null
  /** At full load for a share of the hour, as one that takes turns with a furnace does. */
  full: StageCurve
  least: StageCurve | null
  /** An inverter's rated stage, between its least and its most. */
  middle: StageCurve | null
  /** Part that cycling loses at no load, as it is rated or as is usual. */
  cd: number
  /** °F below which its maker lets it not run. */
  floorF: number | null
  /** Its figures include an estimate of frost, because there is no rating at 35 °F. */
  frostEstimated: boolean
  /** Nobody gave a rating: the figures are what units of its tons usually have. */
  fromTons: boolean
  ratings: readonly Rating[]
}

/**
 * Estimate for a unit without ratings, from its tons: usual BTU/h a ton at 47 and 17 °F, with COPs. Screens call it an
 * estimate.
 */
const usualRatings = (tons: number): Rating[] => [
  { stage: 'rated', outdoorF: 47, capacityBtuh: 12_000 * tons, cop: 3.5 },
  { stage: 'rated', outdoorF: 17, capacityBtuh: 7_200 * tons, cop: 2.3 },
]

const STOPPED: Delivered = { heat: 0, kw: 0, runs: 0, loadFactor: 1 }

/** The plug of a curve below the maker's floor: there it does not run. */
const aboveFloor =
  <More extends unknown[]>(
    floorF: number | null,
    figure: (at: number, ...more: More) => number | null,
    below: number | null,
  ) =>
  (at: number, ...more: More): number | null =>
    floorF !== null && at < floorF ? below : figure(at, ...more)

/**
 * The outdoor unit's curve from its plate; null where it says neither ratings nor tons. One stage cycles; of two the low
 * one carries what it can, cycling, and above that they share the hour; an inverter follows the load down to its least
 * capacity, its power in straight lines between least, rated and most, and cycles below that.
 */
export function unitCurve(plate: OutdoorUnitPlate): UnitCurve | null {
  const given = plate.ratings?.length ? plate.ratings : null
  const ratings = given ?? (plate.tons === undefined ? null : usualRatings(plate.tons))
  if (!ratings) return null
  const by = (stage: Rating['stage']) => stageCurve(stage, ratings)
  const [max, rated, high, low, min] = [by('max'), by('rated'), by('high'), by('low'), by('min')]
  const inverter = plate.inverter ?? (max !== null || min !== null)
  const full = inverter ? (max ?? rated ?? high ?? low ?? min) : (high ?? rated ?? max ?? low ?? min)
  if (!full) return null
  const least = inverter ? min : high && low ? low : null
  const floorF = plate.floorF ?? null
  const cd = plate.cd ?? USUAL_CD
  const middle = inverter && rated && rated !== full ? rated : null

  const deliver = (at: number, load: number): Delivered | null => {
    if (floorF !== null && at < floorF) return STOPPED
    const most = full.capacity(at)
    if (most === null) return null
    if (most <= 0 || load <= 0) return STOPPED
    const heat = Math.min(load, most)
    const small = least?.capacity(at) ?? null
    if (inverter) return followLoad(at, heat, [least, middle, full], cd)
    if (least === null || small === null || small >= most) return cycle(full, at, heat, cd)
    if (heat <= small) return cycle(least, at, heat, cd)
    const share = (heat - small) / (most - small)
    const [lowKw, highKw] = [kwAt(least, at), kwAt(full, at)]
    return {
      heat,
      kw: lowKw === null || highKw === null ? null : (1 - share) * lowKw + share * highKw,
      runs: 1,
      loadFactor: 1,
    }
  }
  const steadyCop = (at: number, load: number | null): number | null => {
    if (load === null || full.capacity(at) === null) return (middle ?? full).cop(at)
    const run = deliver(at, Math.max(load, least?.capacity(at) ?? full.capacity(at) ?? 0))
    return run?.kw ? run.heat / (BTU_PER_KWH * run.kw) : null
  }
  return {
    steadyCop: aboveFloor(floorF, steadyCop, null),
    heatFrom: (at, kw) => heatFrom((heat) => deliver(at, heat), full.capacity(at), kw),
    capacity: aboveFloor(floorF, full.capacity, 0),
    cleanCapacity: aboveFloor(floorF, full.cleanCapacity, 0),
    cop: aboveFloor(floorF, full.cop, null),
    deliver,
    full,
    least,
    middle,
    cd,
    inverter,
    floorF,
    frostEstimated: given !== null && full.frostEstimated,
    fromTons: given === null,
    ratings,
  }
}

/**
 * A unit of two stages as it is wired: where no heating call brings its second stage it is its low stage alone, and where
 * each brings both it has no low one. Stages of an inverter are its board's own affair.
 */
export function asReached(unit: UnitCurve, stages: ReadonlySet<0 | 1 | 2>): UnitCurve {
  if (unit.inverter || !unit.least || stages.size !== 1) return unit
  const isLow = stages.has(1)
  const { ratings, cd, floorF, fromTons } = unit
  const made = unitCurve({
    ratings: ratings.filter((r) => (r.stage === 'low') === isLow),
    cd,
    inverter: false,
    ...(floorF === null ? {} : { floorF }),
  })
  return made ? { ...made, fromTons } : unit
}

/** BTU/h at which so many kW are drawn: power rises with heat, so that halving finds it, to a BTU/h. */
function heatFrom(
  deliver: (heat: number) => Delivered | null,
  most: number | null,
  kw: number,
): number | null {
  if (most === null || (deliver(most)?.kw ?? null) === null) return null
  let [low, high] = [0, most]
  while (high - low > 1) {
    const middle = (low + high) / 2
    if ((deliver(middle)?.kw ?? 0) < kw) low = middle
    else high = middle
  }
  return high
}

/** kW of a stage that runs all the time. */
export function kwAt(stage: StageCurve, at: number): number | null {
  const [q, cop] = [stage.capacity(at), stage.cop(at)]
  return q === null || cop === null ? null : q / (BTU_PER_KWH * cop)
}

/** A stage that goes on and off: PLF = 1 − Cd · (1 − load factor). */
function cycle(stage: StageCurve, at: number, heat: number, cd: number): Delivered {
  const most = stage.capacity(at) ?? 0
  const lf = most > 0 ? heat / most : 1
  const cop = stage.cop(at)
  const plf = 1 - cd * (1 - lf)
  return {
    heat,
    kw: cop === null ? null : heat / (BTU_PER_KWH * cop * plf),
    runs: lf,
    loadFactor: lf,
  }
}

/** An inverter at the capacity that it delivers. */
function followLoad(at: number, heat: number, stages: (StageCurve | null)[], cd: number): Delivered {
  const known = stages
    .flatMap((s) => {
      const q = s?.capacity(at)
      return s && q !== null && q !== undefined && q > 0 ? [{ s, q, kw: kwAt(s, at) }] : []
    })
    .sort((a, b) => a.q - b.q)
  const [small] = known
  if (!small) return STOPPED
  if (heat < small.q && known.length > 1) return cycle(small.s, at, heat, cd)
  const steady = { heat, runs: 1, loadFactor: 1 }
  // Only one capacity is known: how far down it follows is not, and its COP is taken for all of it.
  if (known.length === 1) return { ...steady, kw: small.kw === null ? null : (small.kw * heat) / small.q }
  const right = Math.max(
    1,
    known.findIndex((k) => k.q >= heat),
  )
  const [a, b] = [known[right - 1], known[right]]
  if (!a || !b || a.kw === null || b.kw === null) return { ...steady, kw: null }
  return { ...steady, kw: a.kw + ((b.kw - a.kw) * (heat - a.q)) / (b.q - a.q) }
}

/**
 * BTU/h of the stage that runs, without what frost takes: what a rise is compared with. Null where nothing is rated.
 * @param high the second stage runs as well
 */
export function runningCapacity(
  plate: OutdoorUnitPlate,
  high: boolean,
): ((outdoorF: number) => number | null) | null {
  const unit = unitCurve(plate)
  if (!unit) return null
  return high || !unit.least ? unit.cleanCapacity : unit.least.cleanCapacity
}
