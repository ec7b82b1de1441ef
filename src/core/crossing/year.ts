import { BTU_PER_KWH, HEAT_CONTENT, loadAt, riseOf, type LoadLine } from '../house'
import type { HoursOfYear } from './hours'
import type { Plant } from './plant'
import { backupBtuh, sharingAt, type Sharing } from './sharing'
import { kwAt } from './unitCurve'

/** °F outdoors below which a coil frosts over often enough to defrost at its interval. */
const FROSTS_BELOW_F = 42
/** °F of supply air that people begin to feel as cold. */
const FEELS_COLD_F = 90

/** What an hour, or a year, comes to. kWh of a heat pump whose COP is not known are NaN. */
export interface Sums {
  /** kWh by what draws them. */
  heatPumpKwh: number
  stripKwh: number
  blowerKwh: number
  /** Therms or gallons. */
  fuel: number
  /** BTU by what makes the heat, and what is lacking. */
  heatPumpHeat: number
  stripHeat: number
  furnaceHeat: number
  unmetHeat: number
  /** Hours that each runs. */
  heatPumpHours: number
  backupHours: number
  heatPumpStarts: number
  backupStarts: number
  /** Minutes of a defrost that nothing warms. */
  coldDefrostMinutes: number
  /** Hours of supply air below 90 °F. */
  coldAirHours: number
}
const SUMS: readonly (keyof Sums)[] = [
  'heatPumpKwh', 'stripKwh', 'blowerKwh', 'fuel', 'heatPumpHeat', 'stripHeat', 'furnaceHeat', 'unmetHeat',
  'heatPumpHours', 'backupHours', 'heatPumpStarts', 'backupStarts', 'coldDefrostMinutes', 'coldAirHours',
] // prettier-ignore
const nothing = (): Sums => Object.fromEntries(SUMS.map((k) => [k, 0])) as unknown as Sums

export interface HouseAt {
  plant: Plant
  line: Pick<LoadLine, 'slope' | 'noHeatF'>
  indoorF: number
  altitudeFt: number
}

/** n = 4 · N · x · (1 − x): starts in an hour at N cycles an hour, with a share x of it on. */
const starts = (cycles: number, share: number): number => 4 * cycles * share * (1 - share)

/**
 * One hour at an outdoor temperature, °F, by the definition that schools are compared by: the heat pump, where it may run,
 * carries what it can; electric backup gives what is left; a furnace that may not run with it takes turns (the share
 * x = (output − L) / (output − capacity) of the hour is the heat pump's), or heats alone where the heat pump may not run.
 */
export function hourAt(house: HouseAt, sharing: Sharing, outdoorF: number): Sums {
  const sums = nothing()
  const { plant, line } = house
  const load = loadAt(line, outdoorF)
  const may = sharingAt(sharing, outdoorF)
  if (load <= 0 || !may) return sums
  const most = backupBtuh(may, plant.burner?.outputBtuh ?? 0)
  const capacity = may.heatPump ? (plant.unit?.capacity(outdoorF) ?? 0) : 0
  if (capacity <= 0) backup(house, sums, may.furnace, Math.min(load, most), most, 1)
  else if (capacity < load && !may.together && most > 0) {
    // Whichever gives more runs alone where even the backup's output is not enough.
    const share = most > load ? (most - load) / (most - capacity) : capacity >= most ? 1 : 0
    heatPump(house, sums, outdoorF, share * capacity, share)
    backup(house, sums, may.furnace, (1 - share) * most, most, 1)
    if (share > 0 && share < 1) sums.heatPumpStarts += starts(plant.cycles.heatPump, share)
  } else {
    const tempered = temper(house, outdoorF, load)
    heatPump(house, sums, outdoorF, Math.min(load - tempered, capacity), 1)
    sums.stripKwh += tempered / BTU_PER_KWH
    sums.stripHeat += tempered
    const left = load - tempered - sums.heatPumpHeat
    if (left > 0 && may.together) backup(house, sums, may.furnace, Math.min(left, most), most, 0)
  }
  const made = sums.heatPumpHeat + sums.stripHeat + sums.furnaceHeat
  sums.unmetHeat = Math.max(0, load - made)
  return sums
}

/** The heat pump gives a heat, BTU in the hour; `share` below 1: at full load for that share of it. */
function heatPump(house: HouseAt, sums: Sums, outdoorF: number, heat: number, share: number): void {
  const { plant } = house
  const { unit } = plant
  if (!unit || heat <= 0) return
  const turns = share < 1
  const run = unit.deliver(outdoorF, turns ? Infinity : heat)
  if (!run) return
  const kw = turns ? kwAt(unit.full, outdoorF) : run.kw
  sums.heatPumpHeat += turns ? heat : run.heat
  sums.heatPumpKwh += kw === null ? NaN : turns ? share * kw : kw
  const hours = turns ? share : run.runs
  sums.heatPumpHours += hours
  if (!turns) sums.heatPumpStarts += starts(plant.cycles.heatPump, run.loadFactor)
  if (outdoorF < FROSTS_BELOW_F && plant.temperKw === 0)
    sums.coldDefrostMinutes += (hours * 60 * plant.defrost.minutes) / plant.defrost.everyMinutes
  // A blower follows its compressor's stage: the air is as warm as at full stage with all of the air.
  const full = unit.capacity(outdoorF) ?? 0
  if (plant.cfm !== null && house.indoorF + riseOf(full, plant.cfm, house.altitudeFt) < FEELS_COLD_F)
    sums.coldAirHours += hours
}

/** Backup gives a heat, BTU in the hour, out of the most that it can; `alone`: its blower is counted. */
function backup(
  { plant }: HouseAt,
  sums: Sums,
  furnace: boolean,
  heat: number,
  most: number,
  alone: 0 | 1,
): void {
  if (heat <= 0 || most <= 0) return
  const share = heat / most
  const { burner } = plant
  if (furnace && burner) {
    sums.furnaceHeat += heat
    sums.fuel += heat / burner.efficiency / HEAT_CONTENT[burner.fuel]
  } else {
    sums.stripHeat += heat
    sums.stripKwh += heat / BTU_PER_KWH
  }
  sums.backupHours += share
  sums.backupStarts += starts(plant.cycles.backup, share)
  sums.blowerKwh += alone * share * plant.blowerKw
}

/**
 * BTU in the hour that strips give in its defrosts: run hours · 60 / interval · minutes / 60 · kW. The heat pump need not
 * give it, so that it runs a little less: the run hours are those for what is left, worked out once more.
 */
function temper({ plant }: HouseAt, outdoorF: number, load: number): number {
  const { unit, temperKw, defrost } = plant
  if (!unit || temperKw <= 0 || outdoorF >= FROSTS_BELOW_F) return 0
  const each = (temperKw * BTU_PER_KWH * defrost.minutes) / defrost.everyMinutes
  const runs = (heat: number) => unit.deliver(outdoorF, Math.max(0, heat))?.runs ?? 0
  return Math.min(load, each * runs(load - each * runs(load)))
}

/** Adds an hour's sums, so many times. */
function add(to: Sums, hour: Sums, times: number): void {
  for (const k of SUMS) to[k] += hour[k] * times
}

export interface Year extends Sums {
  /** kWh of everything that heats. */
  kwh: number
  /** In the money of the prices; null: a price is missing. */
  cost: number | null
  electricCost: number | null
  fuelCost: number | null
  /** kW: the most that an hour draws on average. */
  peakKw: number
  /** °F·h below what is held indoors: unmet heat over the house's loss a degree. */
  unmetDegreeHours: number
  /** Hours in which the house wants heat. */
  heatingHours: number
}

/** A year of a house: its sums, what they cost, and the same by month and by temperature on demand. */
export function yearOf(
  house: HouseAt,
  sharing: Sharing,
  year: Pick<HoursOfYear, 'outdoorF' | 'hours' | 'priced'>,
  fuelPrice: number | undefined,
): Year {
  const sums = nothing()
  let [electric, peakKw, heatingHours] = [0, 0, 0]
  for (let i = 0; i < year.outdoorF.length; i++) {
    const [t = 0, hours = 0, priced = 0] = [year.outdoorF[i], year.hours[i], year.priced[i]]
    // The list is in order: from here on nothing is wanted.
    if (t >= house.line.noHeatF) break
    if (hours === 0) continue
    const hour = hourAt(house, sharing, t)
    add(sums, hour, hours)
    const kw = hour.heatPumpKwh + hour.stripKwh + hour.blowerKwh
    electric += kw * priced
    peakKw = Math.max(peakKw, kw)
    heatingHours += hours
  }
  const kwh = sums.heatPumpKwh + sums.stripKwh + sums.blowerKwh
  const electricCost = kwh === 0 ? 0 : Number.isNaN(electric) ? null : electric
  const fuelCost = sums.fuel === 0 ? 0 : fuelPrice === undefined ? null : sums.fuel * fuelPrice
  return {
    ...sums,
    kwh,
    electricCost,
    fuelCost,
    cost: electricCost === null || fuelCost === null ? null : electricCost + fuelCost,
    peakKw,
    unmetDegreeHours: sums.unmetHeat / house.line.slope,
    heatingHours,
  }
}
