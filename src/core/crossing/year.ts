import { BTU_PER_KWH, HEAT_CONTENT, loadAt, riseOf, type LoadLine } from '../house'
import type { HoursOfYear } from './hours'
import type { Plant } from './plant'
import { FROSTS_BELOW_F, isPumpAlone, NOTHING, pumpsHeat, type CallLevel, type Sharing } from './sharing'
import { kwAt, type UnitCurve } from './unitCurve'

/** °F of supply air that people begin to feel as cold. */
const FEELS_COLD_F = 90

/** Sums of an hour or of a year. kWh of a heat pump without a known COP are NaN. */
export interface Sums {
  /** kWh by what draws them; `blowerKwh` has a furnace's inducer or oil burner motor in it. */
  heatPumpKwh: number
  stripKwh: number
  blowerKwh: number
  /** Therms or gallons. */
  fuel: number
  /** BTU by what makes the heat, that of a blower with the backup that runs alone; below 0 what a compressor in cooling takes. */
  heatPumpHeat: number
  stripHeat: number
  furnaceHeat: number
  /** BTU that are lacking. */
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
export interface HouseAt {
  plant: Plant
  line: Pick<LoadLine, 'slope' | 'noHeatF'>
  indoorF: number
  altitudeFt: number
}

/** n = 4 · N · x · (1 − x): starts in an hour at N cycles an hour, with a share x of it on. */
const starts = (cycles: number, share: number): number => 4 * cycles * share * (1 - share)

/**
 * Results of an hour at each outdoor temperature, for every combination of sources. Worked out once for a house and its
 * weather; a dragged lockout and each strategy are sums over it.
 */
export interface YearTable {
  /** °F, ascending. */
  outdoorF: ArrayLike<number>
  /** BTU/h that the house needs, and that the heat pump has. */
  load: Float64Array
  capacity: Float64Array
  /** kW at full load. */
  fullKw: Float64Array
  /** BTU/h that strips give in its defrosts. */
  tempered: Float64Array
  /** The heat pump with the hour to itself: BTU/h given, kW, share of the hour that it runs, load factor. */
  heat: Float64Array
  kw: Float64Array
  runs: Float64Array
  loadFactor: Float64Array
  /** 1 where its air is below 90 °F. */
  coldAir: Uint8Array
  /** BTU/h that it takes from the house while its valve is in cooling: its nominal tons. */
  cooling: number
}

/** @param outdoorF °F, ascending */
export function yearTable(house: HouseAt, outdoorF: ArrayLike<number>): YearTable {
  const { plant, line } = house
  const { unit } = plant
  const size = outdoorF.length
  const blank = () => new Float64Array(size)
  const table: YearTable = {
    outdoorF,
    load: blank(),
    capacity: blank(),
    fullKw: blank(),
    tempered: blank(),
    heat: blank(),
    kw: blank(),
    runs: blank(),
    loadFactor: blank(),
    coldAir: new Uint8Array(size),
    cooling: unit?.cleanCapacity(47) ?? 0,
  }
  for (let i = 0; i < size; i++) {
    const t = outdoorF[i] ?? NaN
    const load = loadAt(line, t)
    table.load[i] = load
    const capacity = unit?.capacity(t) ?? 0
    if (!unit || load <= 0 || capacity <= 0) continue
    table.capacity[i] = capacity
    table.fullKw[i] = kwAt(unit.full, t) ?? NaN
    const tempered = temperedHeat(plant, unit, t, load)
    const run = unit.deliver(t, load - tempered)
    table.tempered[i] = tempered
    table.heat[i] = run?.heat ?? 0
    table.kw[i] = run?.kw ?? NaN
    table.runs[i] = run?.runs ?? 0
    table.loadFactor[i] = run?.loadFactor ?? 1
    // A blower follows its compressor's stage: the air is as warm as at full stage with all of the air.
    const air = plant.cfm === null ? Infinity : house.indoorF + riseOf(capacity, plant.cfm, house.altitudeFt)
    table.coldAir[i] = air < FEELS_COLD_F ? 1 : 0
  }
  return table
}

/**
 * BTU in the hour that strips give in its defrosts: run hours · 60 / interval · minutes / 60 · kW. The heat pump need not
 * give it, so that it runs a little less: the run hours are those for what is left, worked out once more.
 */
function temperedHeat({ temperKw, defrost }: Plant, unit: UnitCurve, outdoorF: number, load: number): number {
  if (temperKw <= 0 || outdoorF >= FROSTS_BELOW_F) return 0
  const each = (temperKw * BTU_PER_KWH * defrost.minutes) / defrost.everyMinutes
  const runs = (heat: number) => unit.deliver(outdoorF, Math.max(0, heat))?.runs ?? 0
  return Math.min(load, each * runs(load - each * runs(load)))
}

/** A call's level at one outdoor temperature, beside what its compressor does there. */
interface Level {
  call: CallLevel
  pumps: boolean
  isPumpAlone: boolean
  /** BTU/h of strips, of the burner, and of a blower that is not in the heat pump's ratings. */
  stripHeat: number
  fireHeat: number
  blowerHeat: number
}

function levelOf({ burner, blowerKw }: Plant, call: CallLevel): Level {
  const blows = call.blower ? BTU_PER_KWH : 0
  return {
    // Limits stop what heats without air.
    call: call.blower ? call : { ...call, kitKw: 0, fire: 0 },
    pumps: pumpsHeat(call),
    isPumpAlone: isPumpAlone(call),
    stripHeat: call.kitKw * blows,
    fireHeat: call.blower ? call.fire * (burner?.outputBtuh ?? 0) : 0,
    blowerHeat: call.stage === 0 ? blowerKw * blows : 0,
  }
}

/**
 * The sums of some hours, by the definition that strategies are compared by. A thermostat goes from call to call until one
 * gives what the house needs, L. Where that is the heat pump alone, it cycles or follows the load. Else the hour is split
 * between that call and the one before it: x = (L − q before) / (q − q before) of it, so that the mean is L. Where no call
 * is enough the largest runs alone (the last, where it takes heat away), and the rest is unmet.
 */
function sumUp(
  house: HouseAt,
  sharing: Sharing,
  table: YearTable,
  hours: ArrayLike<number>,
  priced: ArrayLike<number>,
) {
  const { plant } = house
  const { burner, cycles, defrost } = plant
  // Therms or gallons in an hour at full fire.
  const fullFire = burner ? burner.outputBtuh / (burner.efficiency * HEAT_CONTENT[burner.fuel]) : 0
  const coldMinutes = plant.temperKw === 0 ? (60 * defrost.minutes) / defrost.everyMinutes : 0
  // Plain numbers and no object: a field of one is boxed anew with each addition, and this runs while a finger drags.
  let [heatPumpKwh, stripKwh, blowerKwh, fuel, heatPumpHeat, stripHeat, furnaceHeat] = [0, 0, 0, 0, 0, 0, 0]
  let [unmetHeat, heatPumpHours, backupHours, heatPumpStarts, backupStarts] = [0, 0, 0, 0, 0]
  let [coldDefrostMinutes, coldAirHours] = [0, 0]
  let [electric, peakKw, heatingHours] = [0, 0, 0]
  let at = 0
  let idle = levelOf(plant, sharing[0]?.idle ?? NOTHING)
  let called = (sharing[0]?.levels ?? []).map((l) => levelOf(plant, l))
  for (let i = 0; i < table.outdoorF.length; i++) {
    const t = table.outdoorF[i] ?? NaN
    const times = hours[i] ?? 0
    const load = table.load[i] ?? 0
    if (times === 0 || load <= 0) continue
    for (let next = sharing[at + 1]; next && next.from <= t; next = sharing[at + 1]) {
      at++
      idle = levelOf(plant, next.idle)
      called = next.levels.map((l) => levelOf(plant, l))
    }
    const capacity = table.capacity[i] ?? 0
    const fullKw = table.fullKw[i] ?? 0
    let tempered = table.tempered[i] ?? 0
    let heat = 0
    let kw = 0
    let runs = 0
    let begun = 0
    let unmet = 0
    let pumps = 0
    let strips = 0
    let blower = 0
    let share = 0
    const pumped = (l: Level) => (l.pumps ? capacity : l.call.cools ? -table.cooling : 0)
    const gives = (l: Level) => pumped(l) + l.stripHeat + l.fireHeat + l.blowerHeat
    // Strips that temper a defrost come with the heat pump.
    const isEnough = (l: Level) => gives(l) >= load - (l.pumps ? tempered : 0)
    let lower = idle
    let upper = idle
    let most = called[0] ?? idle
    let enough = isEnough(idle)
    for (const level of called) {
      if (enough) break
      lower = upper
      upper = level
      enough = isEnough(level)
      if (gives(level) >= gives(most) || level.call.cools) most = level
    }
    if (!enough) lower = upper = most
    // Loads that run without a call run the whole hour; an inverter still follows the load.
    const follows = upper !== idle || plant.unit?.inverter === true
    if (enough && follows && upper.isPumpAlone && (lower.isPumpAlone || gives(lower) === lower.blowerHeat)) {
      heat = table.heat[i] ?? 0
      kw = table.kw[i] ?? 0
      runs = table.runs[i] ?? 0
      pumps = runs
      begun = starts(cycles.heatPump, table.loadFactor[i] ?? 1)
      strips = tempered / BTU_PER_KWH
      stripHeat += times * tempered
      blower = ((1 - runs) * (lower.isPumpAlone ? idle : lower).blowerHeat) / BTU_PER_KWH
    } else {
      // Strips warm a defrost only of a heat pump that runs through the hour; what they give there is part of the rest.
      if (!(upper.pumps && lower.pumps)) tempered = 0
      const [below, above] = [gives(lower), gives(upper)]
      const part = lower === upper ? 1 : Math.max(0, (load - tempered - below) / (above - below))
      const mean = (of: (l: Level) => number) => (1 - part) * of(lower) + part * of(upper)
      heat = mean(pumped)
      kw = mean((l) => (l.call.stage > 0 ? fullKw : 0))
      runs = mean((l) => (l.call.stage > 0 ? 1 : 0))
      pumps = mean((l) => (l.pumps ? 1 : 0))
      begun = starts(cycles.heatPump, runs)
      const [ofStrips, ofFire] = [mean((l) => l.stripHeat), mean((l) => l.fireHeat)]
      const ofBlower = mean((l) => l.blowerHeat)
      const isFuel = ofFire > 0
      // A defrost's strips are the kit's: with it on already they add nothing.
      const warm = Math.min(
        tempered,
        Math.max(0, Math.max(lower.stripHeat, upper.stripHeat, tempered) - ofStrips),
      )
      strips = mean((l) => l.call.kitKw) + warm / BTU_PER_KWH
      const burns = mean((l) => l.call.fire)
      share = mean((l) => (l.call.kitKw > 0 || l.call.fire > 0 ? 1 : 0))
      blower = ofBlower / BTU_PER_KWH + (burner ? mean((l) => (l.call.fire > 0 ? burner.motorKw : 0)) : 0)
      stripHeat += times * (ofStrips + warm + (isFuel ? 0 : ofBlower))
      furnaceHeat += isFuel ? times * (ofFire + ofBlower) : 0
      fuel += times * burns * fullFire
      unmet = enough ? 0 : load - heat - ofStrips - ofFire - ofBlower - warm
    }
    heatPumpHeat += times * heat
    heatPumpKwh += times * kw
    heatPumpHours += times * runs
    heatPumpStarts += times * begun
    stripKwh += times * strips
    blowerKwh += times * blower
    backupHours += times * share
    backupStarts += times * starts(cycles.backup, share)
    unmetHeat += times * unmet
    coldDefrostMinutes += t < FROSTS_BELOW_F ? times * pumps * coldMinutes : 0
    coldAirHours += table.coldAir[i] ? times * runs : 0
    const all = kw + strips + blower
    electric += all * (priced[i] ?? 0)
    if (all > peakKw) peakKw = all
    heatingHours += times
  }
  const sums: Sums = {
    heatPumpKwh,
    stripKwh,
    blowerKwh,
    fuel,
    heatPumpHeat,
    stripHeat,
    furnaceHeat,
    unmetHeat,
    heatPumpHours,
    backupHours,
    heatPumpStarts,
    backupStarts,
    coldDefrostMinutes,
    coldAirHours,
  }
  return { sums, electric, peakKw, heatingHours }
}

/** Results of one hour at an outdoor temperature, °F. */
export const hourAt = (house: HouseAt, sharing: Sharing, outdoorF: number): Sums =>
  sumUp(house, sharing, yearTable(house, [outdoorF]), [1], [0]).sums

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
  /** Hours in which the house needs heat. */
  heatingHours: number
}

/**
 * A year of a house, or a part of one: its sums, and what they cost.
 * @param year °F, ascending, with the hours of each and the sum of their prices of a kWh
 * @param table what was worked out of these temperatures already
 */
export function yearOf(
  house: HouseAt,
  sharing: Sharing,
  year: Pick<HoursOfYear, 'outdoorF' | 'hours' | 'priced'>,
  fuelPrice: number | undefined,
  table: YearTable = yearTable(house, year.outdoorF),
): Year {
  const { sums, electric, peakKw, heatingHours } = sumUp(house, sharing, table, year.hours, year.priced)
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
