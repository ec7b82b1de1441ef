import type { Circuit } from '../circuit'
import { BTU_PER_KWH, loadAt, riseOf, type LoadLine } from '../house'
import { settingValue, type JobSeen } from '../installation'
import type { BreakEven, DownTo } from './balance'
import { crossingOf, type Crossing, type MissingInput } from './crossing'
import { gatesOfJob, merged, type CrossingGates } from './gates'
import { recommendSchool, schoolYears, type RecommendedSchool, type SchoolYear } from './schools'
import { backupBtuh, sharingAt, type Sharing } from './sharing'
import { yearOf, type Year } from './year'

/** Everything over outdoor temperature, a value for each °F. */
export interface CrossingCurve {
  outdoorF: number[]
  /** BTU/h; null: not known. */
  load: (number | null)[]
  capacity: (number | null)[]
  least: (number | null)[]
  /** Heat pump and strips, where both may run at once. */
  withStrips: (number | null)[]
  /** The furnace, or strips that take turns with the heat pump, where they may run. */
  backup: (number | null)[]
  cop: (number | null)[]
  /** °F of supply air from the heat pump alone, and with its strips. */
  supplyF: (number | null)[]
  supplyWithStripsF: (number | null)[]
  /** Hours a year within half a degree. */
  hours: number[]
}

/** Sums of one month, or of one five-degree bin. */
export interface Share {
  from: number
  year: Year
}

/** Crossing as plain data, for who cannot be handed functions: a screen, a file. */
export interface CrossingView {
  wanted: MissingInput[]
  lines: LoadLine[]
  line: LoadLine | null
  indoorF: number
  designF: number | null
  designFromClimate: boolean
  kitKw: number
  emergencyKitKw: number
  temperKw: number
  fuel: Crossing['plant']['fuel']
  burner: Crossing['plant']['burner']
  unit: { fromTons: boolean; frostEstimated: boolean; floorF: number | null; inverter: boolean } | null
  cfm: number | null
  cfmEstimated: boolean
  balanceF: DownTo | undefined
  design: Crossing['design']
  emergencyF: DownTo | undefined
  breakEven: BreakEven | null
  curve: CrossingCurve
  sharing: Sharing
  /** °F over which a setting that nobody knows decides who heats; there nothing is counted on that may not be. */
  unsure: { from: number; to: number }[]
  year: Year | null
  months: Share[]
  bands: Share[]
  schools: SchoolYear[]
  recommended: RecommendedSchool | null
  gates: CrossingGates
}

/** °F that curves are drawn over. */
export const DRAWN = { from: -20, to: 70 } as const
const BAND_F = 5

/** All that Crossing has to say of a job. */
export function crossingView(seen: JobSeen, circuit: Circuit): CrossingView {
  const crossing = crossingOf(seen, circuit)
  const { plant } = crossing
  const schools = schoolYears(crossing, seen.prices.fuel)
  return {
    ...shown(crossing),
    unsure: unsureOf(seen, crossing),
    curve: curveOf(crossing),
    ...sharesOf(crossing, seen.prices.fuel),
    schools,
    recommended: recommendSchool(schools, seen.answers, crossing.year),
    gates: gatesOfJob(seen, circuit, plant.fuel !== null),
  }
}

/** Stretches that depend on a setting that is not known; inside a switch's differential alone there is nothing to find out. */
function unsureOf({ inst }: JobSeen, { sharing }: Crossing): CrossingView['unsure'] {
  const isOpen = inst.placed.some((p) => p.device.settings.some((s) => settingValue(p, s.id) === null))
  if (!isOpen) return []
  const list: CrossingView['unsure'] = []
  for (const { from, to, unsure } of sharing) {
    const last = list[list.length - 1]
    if (!unsure) continue
    if (last && last.to === from) last.to = to
    else list.push({ from, to })
  }
  return list
}

function shown(c: Crossing) {
  const { plant } = c
  const { unit } = plant
  return {
    wanted: c.wanted,
    lines: c.lines,
    line: c.line,
    indoorF: c.indoorF,
    designF: c.designF,
    designFromClimate: c.designFromClimate,
    kitKw: c.kitKw,
    emergencyKitKw: plant.emergency.kitKw,
    temperKw: plant.temperKw,
    fuel: plant.fuel,
    burner: plant.burner,
    unit: unit && {
      fromTons: unit.fromTons,
      frostEstimated: unit.frostEstimated,
      floorF: unit.floorF,
      inverter: unit.inverter,
    },
    cfm: plant.cfm,
    cfmEstimated: plant.cfmEstimated,
    balanceF: c.balanceF,
    design: c.design,
    emergencyF: c.emergencyF,
    breakEven: c.breakEven,
    sharing: merged(c.sharing),
    year: c.year,
  }
}

function curveOf(c: Crossing): CrossingCurve {
  const { plant, line, sharing } = c
  const { unit } = plant
  const outdoorF = Array.from({ length: DRAWN.to - DRAWN.from + 1 }, (_, i) => DRAWN.from + i)
  const each = <T>(figure: (t: number) => T): T[] => outdoorF.map(figure)
  const capacity = (t: number) => unit?.capacity(t) ?? null
  const strips = (t: number) => {
    const may = sharingAt(sharing, t)
    return may?.together ? may.kitKw * BTU_PER_KWH : 0
  }
  const backup = (t: number) => {
    const may = sharingAt(sharing, t)
    const btuh = may && !(may.together && !may.furnace) ? backupBtuh(may, plant.burner?.outputBtuh ?? 0) : 0
    return btuh > 0 ? btuh : null
  }
  const supply = (btuh: number | null) =>
    btuh === null || btuh <= 0 || plant.cfm === null
      ? null
      : c.indoorF + riseOf(btuh, plant.cfm, c.altitudeFt)
  const hours = new Float64Array(outdoorF.length)
  c.hours?.outdoorF.forEach((t, i) => {
    const at = Math.round(t) - DRAWN.from
    if (at >= 0 && at < hours.length) hours[at] = (hours[at] ?? 0) + (c.hours?.hours[i] ?? 0)
  })
  const withStrips = (t: number) => {
    const q = capacity(t)
    return q === null || strips(t) === 0 ? null : q + strips(t)
  }
  return {
    outdoorF,
    load: each((t) => line && loadAt(line, t)),
    capacity: each(capacity),
    least: each((t) => unit?.least?.capacity(t) ?? null),
    withStrips: each(withStrips),
    backup: each(backup),
    cop: each((t) => unit?.cop(t) ?? null),
    supplyF: each((t) => supply(capacity(t))),
    supplyWithStripsF: each((t) => supply(withStrips(t))),
    hours: [...hours],
  }
}

/** The year by month, and by five degrees of outdoor temperature. */
function sharesOf(c: Crossing, fuelPrice: number | undefined): { months: Share[]; bands: Share[] } {
  const { house, hours, year } = c
  if (!house || !hours || !year) return { months: [], bands: [] }
  const { outdoorF } = hours
  const months = hours.months.map((m, from) => ({
    from,
    year: yearOf(house, c.sharing, { outdoorF, ...m }, fuelPrice, c.table ?? undefined),
  }))
  const bands: Share[] = []
  for (let i = 0; i < outdoorF.length;) {
    const from = BAND_F * Math.floor((outdoorF[i] ?? 0) / BAND_F)
    let to = i
    while (to < outdoorF.length && (outdoorF[to] ?? Infinity) < from + BAND_F) to++
    const part = {
      outdoorF: outdoorF.subarray(i, to),
      hours: hours.hours.subarray(i, to),
      priced: hours.priced.subarray(i, to),
    }
    bands.push({ from, year: yearOf(house, c.sharing, part, fuelPrice) })
    i = to
  }
  return { months, bands: bands.filter((b) => b.year.heatingHours > 0) }
}
