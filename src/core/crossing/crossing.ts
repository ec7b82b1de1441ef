import type { Circuit } from '../circuit'
import {
  BTU_PER_KWH,
  DEFAULT_INDOOR_F,
  designTemperature,
  houseValue,
  linesOf,
  loadAt,
  loadLineOf,
  meanKwh,
  weatherOf,
  type LoadLine,
} from '../house'
import type { JobSeen } from '../installation'
import { auxNeededKw, balancePoint, breakEven, holdsDownTo, type BreakEven, type DownTo } from './balance'
import { hoursOfYear, type HoursOfYear } from './hours'
import { plantOf, type Plant } from './plant'
import { sharingAt, sharingOf, stagesReached, type Sharing } from './sharing'
import { asReached } from './unitCurve'
import { yearOf, yearTable, type HouseAt, type Year, type YearTable } from './year'

/** Inputs that must be entered before an answer is possible. */
export type MissingInput = 'load' | 'ratings' | 'climate' | 'design' | 'kwh' | 'fuelPrice' | 'burner'

/** The house's load on its design day, and which heat sources can meet it. */
export interface AtDesign {
  outdoorF: number
  loadBtuh: number
  /** BTU/h that the heat pump has there; 0 where something holds it off, which `heldOff` says. */
  capacityBtuh: number
  heldOff: boolean
  /** A heating call runs the compressor in cooling: its capacity is below 0. */
  cools: boolean
  /** kW that backup must give. */
  lacksKw: number
  /** kW of strips that may run there; a furnace's output, BTU/h. */
  kitKw: number
  furnaceBtuh: number
  /** Backup runs beside the heat pump; else they take turns, and the larger must carry it all. */
  together: boolean
}

/** A house with its heat sources: everything that Crossing says depends on this. */
export interface Crossing {
  plant: Plant
  /** Every load line that the numbers give; the one that is used. */
  lines: LoadLine[]
  line: LoadLine | null
  indoorF: number
  altitudeFt: number
  /** °F: the design temperature, and whether it is the climate's own coldest hundredth. */
  designF: number | null
  designFromClimate: boolean
  /** null until there are a load line and the unit's capacity. */
  house: HouseAt | null
  /** Who heats when, as wired and set. */
  sharing: Sharing
  /** kW of strips on the highest ordinary call. */
  kitKw: number
  balanceF: DownTo | undefined
  /** At the design temperature. */
  design: AtDesign | null
  /** °F down to which the backup alone carries the house, in emergency heat. */
  emergencyF: DownTo | undefined
  breakEven: BreakEven | null
  hours: HoursOfYear | null
  /** Results of each hour, whichever source heats. Moving a lockout does not change them. */
  table: YearTable | null
  year: Year | null
  wanted: MissingInput[]
}

/** Calculates everything that is known of a house's balance; `missing` names each input that is not entered. */
export function crossingOf(seen: JobSeen, circuit: Circuit, sharing: Sharing = sharingOf(circuit)): Crossing {
  const { house: known, prices } = seen
  const weather = seen.climate && weatherOf(seen.climate)
  const sized = plantOf(seen, circuit)
  const unit = sized.unit && asReached(sized.unit, stagesReached(sharing))
  const plant = { ...sized, unit }
  const lines = linesOf(known, plant.unit)
  const line = loadLineOf(known, plant.unit)
  const indoorF = houseValue(known, 'indoorF') ?? DEFAULT_INDOOR_F
  const altitudeFt = houseValue(known, 'altitudeFt') ?? 0
  const given = houseValue(known, 'designF')
  const designF = given ?? (weather ? designTemperature(weather) : null)
  const hasCapacity = plant.unit !== null && plant.unit.capacity(47) !== null
  const house = line && hasCapacity ? { plant, line, indoorF, altitudeFt } : null
  const kitKw = Math.max(0, ...sharing.map((s) => s.kitKw))
  const hours = weather ? hoursOfYear(weather, prices) : null
  // A furnace whose output is not known carries nothing in these sums: then there are none.
  const isReckonable = plant.fuel === null || plant.burner !== null
  const table = house && hours ? yearTable(house, hours.outdoorF) : null
  const year =
    house && hours && table && isReckonable ? yearOf(house, sharing, hours, prices.fuel, table) : null
  const emergencyBtuh = plant.emergency.furnace
    ? (plant.burner?.outputBtuh ?? 0)
    : plant.emergency.kitKw * BTU_PER_KWH
  const wanted: MissingInput[] = []
  if (!line) wanted.push('load')
  if (!hasCapacity) wanted.push('ratings')
  if (!weather) wanted.push('climate')
  if (designF === null) wanted.push('design')
  if (prices.kwh === undefined) wanted.push('kwh')
  if (plant.fuel && prices.fuel === undefined) wanted.push('fuelPrice')
  if (!isReckonable) wanted.push('burner')
  return {
    plant,
    lines,
    line,
    indoorF,
    altitudeFt,
    designF,
    designFromClimate: given === undefined && designF !== null,
    house,
    sharing,
    kitKw,
    balanceF: house ? balancePoint(house) : undefined,
    design: house && designF !== null ? atDesign(house, sharing, designF) : null,
    emergencyF: house && emergencyBtuh > 0 ? holdsDownTo(house, emergencyBtuh) : undefined,
    breakEven: breakEven(plant, line, meanKwh(prices, weather, line?.noHeatF ?? 65), prices.fuel),
    hours,
    table,
    year,
    wanted,
  }
}

function atDesign(house: HouseAt, sharing: Sharing, outdoorF: number): AtDesign {
  const { plant } = house
  const may = sharingAt(sharing, outdoorF)
  const heldOff = may?.heatPump === false
  const cools = heldOff && may.levels.some((l) => l.cools)
  const taken = cools ? (plant.unit?.cleanCapacity(47) ?? 0) : 0
  return {
    outdoorF,
    loadBtuh: loadAt(house.line, outdoorF),
    capacityBtuh: heldOff ? -taken : (plant.unit?.capacity(outdoorF) ?? 0),
    heldOff,
    cools,
    lacksKw: heldOff ? (loadAt(house.line, outdoorF) + taken) / BTU_PER_KWH : auxNeededKw(house, outdoorF),
    kitKw: may?.kitKw ?? 0,
    furnaceBtuh: may?.furnace ? (plant.burner?.outputBtuh ?? 0) : 0,
    together: may?.together ?? false,
  }
}
