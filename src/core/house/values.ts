import type { Fuel } from './fuel'

/** Sources of a number about the house. */
export const VALUE_SOURCES = ['typed', 'plate', 'measured', 'estimated', 'device'] as const
export type ValueSource = (typeof VALUE_SOURCES)[number]
export interface Sourced {
  value: number
  source: ValueSource
}

/** Every number that is known of a house, with its unit and the least and the most that make sense. */
export const HOUSE_VALUES = {
  /** °F held indoors while it heats. */
  indoorF: { unit: '°F', least: 50, most: 85 },
  /** °F outdoors from which nothing heats: sun, people and appliances carry the rest. */
  noHeatF: { unit: '°F', least: 35, most: 80 },
  /** BTU/h at the outdoor design temperature, from a load calculation. */
  designLoad: { unit: 'BTU/h', least: 1000, most: 400_000 },
  /** °F: the outdoor design temperature. */
  designF: { unit: '°F', least: -60, most: 60 },
  /** BTU/h for a degree between indoors and outdoors. */
  ua: { unit: 'BTU/h·°F', least: 10, most: 10_000 },
  /** BTU/h from people, sun and appliances. */
  gains: { unit: 'BTU/h', least: 0, most: 60_000 },
  /** Share of the time, 0 to 1, for which a one-stage heat pump alone held the room. */
  runShare: { unit: '', least: 0.02, most: 1 },
  /** kWh that an inverter drew while it alone held the room, over so many hours. */
  runKwh: { unit: 'kWh', least: 0.05, most: 2000 },
  runHours: { unit: 'h', least: 0.25, most: 1000 },
  /** °F outdoors meanwhile. */
  runF: { unit: '°F', least: -40, most: 64 },
  /** A year's bills in kWh, therms or gallons, and a summer month's share of them. */
  billsYear: { unit: '', least: 1, most: 200_000 },
  billsSummerMonth: { unit: '', least: 0, most: 20_000 },
  /** Output over input of what burned it, 0 to 1; a heat pump's seasonal COP. */
  billsEfficiency: { unit: '', least: 0.3, most: 6 },
  /** °F·days below the no-heat temperature in that year. */
  degreeDays: { unit: '°F·day', least: 50, most: 20_000 },
  altitudeFt: { unit: 'ft', least: -300, most: 14_000 },
  /** CFM by blower speed. */
  cfmFan: { unit: 'CFM', least: 50, most: 5000 },
  cfmLow: { unit: 'CFM', least: 50, most: 5000 },
  cfmHigh: { unit: 'CFM', least: 50, most: 5000 },
  cfmHeat: { unit: 'CFM', least: 50, most: 5000 },
  /** Minutes of a defrost, as timed. */
  defrostMinutes: { unit: 'min', least: 0.5, most: 20 },
  /** A: the main breaker. */
  serviceA: { unit: 'A', least: 30, most: 600 },
  /** ft²: floor area of the dwelling. */
  areaFt2: { unit: 'ft²', least: 100, most: 20_000 },
  /** VA of small-appliance circuits, and of everything else that is fastened in place, heating and cooling left out. */
  applianceVa: { unit: 'VA', least: 0, most: 100_000 },
  /** kW: the year's highest metered demand. */
  peakKw: { unit: 'kW', least: 0.1, most: 200 },
} as const
export type HouseValue = keyof typeof HOUSE_VALUES

/** Fuels that bills can be for. */
export const BILL_FUELS = ['electric', 'gas', 'lp', 'oil'] as const
export type BillFuel = 'electric' | Fuel

/** The ways to a house's load line. */
export const LOAD_WAYS = ['run', 'bills', 'design', 'ua'] as const
export type LoadWay = (typeof LOAD_WAYS)[number]

/** How conductors are rated: by the cable and by the marking of the terminals. */
export const CABLE_RATINGS = ['copper75', 'copper60', 'aluminium75'] as const
export type CableRating = (typeof CABLE_RATINGS)[number]

/** Entries about the house itself: each number with its source; each may be missing. */
export interface House {
  values: Readonly<Partial<Record<HouseValue, Sourced>>>
  billFuel?: BillFuel
  /** The way whose line is used; left out: the best of those that there are. */
  way?: LoadWay
  /** `existing`, `new` or `metered`: how the service is calculated. */
  service?: 'existing' | 'new' | 'metered'
  /** How the conductors of the job's line circuits are rated; left out: nobody has said, and the lower column counts. */
  cable?: CableRating
}
/** How conductors are rated here. Until somebody has said, as NM-B cable or terminals not marked 75 °C: the lower column. */
export const cableOf = ({ cable }: House): CableRating => cable ?? 'copper60'
export const UNKNOWN_HOUSE: House = Object.freeze({ values: {} })

/** A number of the house; undefined while it is not known. */
export const houseValue = (house: House, of: HouseValue): number | undefined => house.values[of]?.value
