import { BTU_PER_KWH, HEAT_CONTENT } from './fuel'
import { houseValue, LOAD_WAYS, type House, type HouseValue, type LoadWay } from './values'

/** °F that a house needs no heat from, below what it is held at: sun, people and appliances carry the rest. */
const NO_HEAT_BELOW_INDOORS = 5
const DEFAULT_NO_HEAT_F = 65
export const DEFAULT_INDOOR_F = 70

/** Q(T) = slope · (noHeatF − T), and 0 above: what the house loses at an outdoor temperature. */
export interface LoadLine {
  way: LoadWay
  /** BTU/h for each degree below `noHeatF`. */
  slope: number
  /** °F outdoors. */
  noHeatF: number
  /** Nobody gave the no-heat temperature: it is the usual one. */
  noHeatAssumed: boolean
}

/** BTU/h that the house needs at an outdoor temperature, °F. */
export const loadAt = (line: Pick<LoadLine, 'slope' | 'noHeatF'>, outdoorF: number): number =>
  Math.max(0, line.slope * (line.noHeatF - outdoorF))

/** Capacity of the unit at an outdoor temperature; null: unknown. */
export interface UnitFigures {
  /** BTU/h at full stage. */
  capacity: (outdoorF: number) => number | null
  /** BTU/h that it gives while it draws so many kW. */
  heatFrom: (outdoorF: number, kw: number) => number | null
  inverter: boolean
}

interface WaySpec {
  /** Inputs that this way requires. */
  needs: (house: House, unit: UnitFigures | null) => HouseValue[]
  slope: (v: (of: HouseValue) => number, house: House, noHeatF: number, unit: UnitFigures | null) => number
}

/** The numbers by which a run tells the load: a share of the time, or an inverter's kWh and hours. */
const isByKwh = (unit: UnitFigures | null, house: House): boolean =>
  unit?.inverter === true || house.values.runShare === undefined

const WAYS: Record<LoadWay, WaySpec> = {
  // Q(T) = Qd · (Tb − T) / (Tb − Td)
  design: {
    needs: () => ['designLoad', 'designF'],
    slope: (v, _, noHeatF) => v('designLoad') / (noHeatF - v('designF')),
  },
  // UA · (Ti − T) − gains
  ua: { needs: () => ['ua'], slope: (v) => v('ua') },
  // Run share · capacity is the load there; of an inverter kWh · 3412 · COP over the hours, at the COP of what it gave.
  run: {
    needs: (house, unit) => (isByKwh(unit, house) ? ['runKwh', 'runHours', 'runF'] : ['runShare', 'runF']),
    slope(v, house, noHeatF, unit) {
      const at = v('runF')
      const load = isByKwh(unit, house)
        ? unit?.heatFrom(at, v('runKwh') / v('runHours'))
        : v('runShare') * (unit?.capacity(at) ?? Number.NaN)
      return (load ?? Number.NaN) / (noHeatF - at)
    },
  },
  // UA ≈ (fuel energy − its summer base) · efficiency / (24 · HDD at Tb)
  bills: {
    needs: () => ['billsYear', 'billsEfficiency', 'degreeDays'],
    slope(v, house) {
      const units = v('billsYear') - 12 * (houseValue(house, 'billsSummerMonth') ?? 0)
      const { billFuel } = house
      if (!billFuel) return Number.NaN
      const content = billFuel === 'electric' ? BTU_PER_KWH : HEAT_CONTENT[billFuel]
      return (units * content * v('billsEfficiency')) / (24 * v('degreeDays'))
    },
  },
}

/** °F from which nothing heats: as given; by the way of gains Ti − gains / UA; else 5 below indoors, or 65. */
export function noHeat(house: House, way: LoadWay): { at: number; assumed: boolean } {
  const given = houseValue(house, 'noHeatF')
  const indoor = houseValue(house, 'indoorF')
  const [ua, gains] = [houseValue(house, 'ua'), houseValue(house, 'gains')]
  if (way === 'ua' && ua !== undefined && gains !== undefined)
    return { at: (indoor ?? DEFAULT_INDOOR_F) - gains / ua, assumed: indoor === undefined }
  if (given !== undefined) return { at: given, assumed: false }
  return {
    at: indoor === undefined ? DEFAULT_NO_HEAT_F : indoor - NO_HEAT_BELOW_INDOORS,
    assumed: true,
  }
}

/** The numbers that a way still wants; empty: it gives a line, unless they contradict each other. */
export const missingFor = (house: House, way: LoadWay, unit: UnitFigures | null): HouseValue[] =>
  WAYS[way].needs(house, unit).filter((of) => house.values[of] === undefined)

/**
 * The house's load line by one way; null where a number that it depends on is missing, or where they make no sense
 * together (a design temperature above the no-heat temperature).
 */
export function lineBy(house: House, way: LoadWay, unit: UnitFigures | null): LoadLine | null {
  if (missingFor(house, way, unit).length) return null
  const { at, assumed } = noHeat(house, way)
  const slope = WAYS[way].slope((of) => houseValue(house, of) ?? Number.NaN, house, at, unit)
  return slope > 0 && Number.isFinite(slope) ? { way, slope, noHeatF: at, noHeatAssumed: assumed } : null
}

/** Every line that the numbers give, the best way first: what was measured on this house before what was calculated. */
export const linesOf = (house: House, unit: UnitFigures | null): LoadLine[] =>
  LOAD_WAYS.flatMap((way) => lineBy(house, way, unit) ?? [])

/** The line that is used: that of the way chosen, else the best there is. */
export function loadLineOf(house: House, unit: UnitFigures | null): LoadLine | null {
  const lines = linesOf(house, unit)
  return lines.find((l) => l.way === house.way) ?? lines[0] ?? null
}
