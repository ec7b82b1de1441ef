import { BTU_PER_KWH } from '../house'
import type { Crossing } from './crossing'
import { sharingBy, type Gates, type Sharing } from './sharing'
import { ABOVE_BALANCE, HABIT, type Strategy } from './strategies'
import { yearOf, yearTable, type HouseAt, type Year, type YearTable } from './year'

/** A school of practice on this house. */
export interface SchoolYear {
  school: Strategy
  gates: Gates
  sharing: Sharing
  year: Year
}

/** The schools that decide who heats when; minimum-off decides nothing that a year's sums can see. */
const BY_BACKUP: Record<'strips' | 'furnace', readonly Strategy[]> = {
  strips: ['runAlways', 'fixedLine', 'emergencyOnly', 'temperedDefrost', 'coldDefrost'],
  furnace: ['runAlways', 'fixedLine', 'comfortSwitch', 'breakEven', 'stageDriven'],
}

/** °F, whole: the temperature at which this house's fuel and electricity cost the same; null: it is not known. */
export function breakEvenGate({ breakEven }: Pick<Crossing, 'breakEven'>): number | null {
  if (!breakEven) return null
  const { aboveF } = breakEven
  // Cheaper at every temperature: the furnace never takes over. At none: it always does.
  if (aboveF === null) return 0
  if (aboveF === 'never') return 60
  return Math.round(Math.min(60, Math.max(0, aboveF)))
}

/** °F, whole: a few over the balance point; by habit where that is not known. */
export function auxGate({ balanceF }: Pick<Crossing, 'balanceF'>): number {
  // A heat pump that carries the house as cold as it gets wants no help.
  if (balanceF === null) return 0
  return typeof balanceF === 'number' ? Math.ceil(balanceF + ABOVE_BALANCE) : HABIT.auxAbove
}

/** Temperatures at which a strategy lets each source run; null where an input is missing. */
function gatesOf(crossing: Crossing, school: Strategy): Gates | null {
  switch (school) {
    case 'runAlways':
      return crossing.plant.fuel ? {} : { backupBelowF: auxGate(crossing) }
    case 'fixedLine':
      return crossing.plant.fuel
        ? { changeoverF: HABIT.fixedCompressor }
        : { heatPumpFromF: HABIT.fixedCompressor, backupBelowF: HABIT.fixedAux }
    case 'comfortSwitch':
      return { changeoverF: HABIT.comfort }
    case 'breakEven': {
      const at = breakEvenGate(crossing)
      return at === null ? null : { changeoverF: at }
    }
    case 'emergencyOnly':
      return { backupBelowF: -Infinity }
    default:
      return {}
  }
}

/** Schools about how a defrost is met, whoever heats when. */
const isAboutDefrost = (school: Strategy): boolean => school === 'temperedDefrost' || school === 'coldDefrost'

/** The strips that heat at all: those of ordinary calls, else of emergency heat. */
const kitOf = ({ kitKw, plant }: Crossing): number => kitKw || plant.emergency.kitKw

/** Every school that fits this gear, each as a year of this house; none where the house or its climate is not known. */
export function schoolYears(crossing: Crossing, fuelPrice: number | undefined): SchoolYear[] {
  const { house, hours, plant } = crossing
  if (!house || !hours || (plant.fuel && !plant.burner)) return []
  const furnace = plant.fuel !== null
  const kitKw = furnace ? 0 : kitOf(crossing)
  if (!furnace && kitKw === 0) return []
  const backup = { kitKw, furnace, together: plant.together }
  // Schools that meet a defrost alike differ only in who may heat: their hours are worked out once.
  const tables = new Map<number, YearTable>([
    [plant.temperKw, crossing.table ?? yearTable(house, hours.outdoorF)],
  ])
  return BY_BACKUP[furnace ? 'furnace' : 'strips'].flatMap((school) => {
    const gates = gatesOf(crossing, school)
    if (!gates) return []
    // How a defrost is met is a school of its own: on top of how the job shares the work otherwise.
    const sharing = isAboutDefrost(school) ? crossing.sharing : sharingBy(gates, backup)
    const met = withDefrost(house, school, kitKw)
    const table = tables.get(met.plant.temperKw) ?? yearTable(met, hours.outdoorF)
    tables.set(met.plant.temperKw, table)
    return [{ school, gates, sharing, year: yearOf(met, sharing, hours, fuelPrice, table) }]
  })
}

function withDefrost(house: HouseAt, school: Strategy, kitKw: number): HouseAt {
  const { plant } = house
  const temperKw =
    school === 'temperedDefrost'
      ? plant.temperKw || kitKw
      : school === 'coldDefrost' || school === 'emergencyOnly'
        ? 0
        : plant.temperKw
  return temperKw === plant.temperKw ? house : { ...house, plant: { ...plant, temperKw } }
}

/** °F·h a year that nobody would notice: a school that lacks no more than this leaves nobody cold. */
const UNNOTICED_DEGREE_HOURS = 10
/** Share of a year's cost within which two schools tie. */
const TIE = 0.02

/** `leastSharing`: another row of the table costs less or is as warm, but decides only how a defrost is met. */
export type RecommendReason = 'cheapest' | 'onlyWarm' | 'comfort' | 'lessUnmet' | 'leastSharing'

/** The best strategy for this house, why, and which tie with it. */
export interface RecommendedSchool {
  best: SchoolYear
  why: RecommendReason
  ties: SchoolYear[]
}

/**
 * The best strategy for this house: of those that leave nobody cold the cheapest, in kWh and heat where a price is
 * missing; an owner who feels the heat pump's air as cold is best served by the comfort switch. Null where there is nothing to choose from.
 */
export function recommendSchool(
  years: readonly SchoolYear[],
  answers: Readonly<Record<string, string>>,
  asSet: Year | null = null,
): RecommendedSchool | null {
  // How a defrost is met is another question than who heats when.
  const sharing = years.filter((y) => !isAboutDefrost(y.school))
  const least = Math.min(...sharing.map((y) => y.year.unmetDegreeHours))
  const warm = sharing.filter((y) => y.year.unmetDegreeHours <= least + UNNOTICED_DEGREE_HOURS)
  const [first] = [...warm].sort((a, b) => burden(a.year) - burden(b.year))
  if (!first) return null
  const wished = answers.coldAir === 'yes' && warm.find((y) => y.school === 'comfortSwitch')
  const best = wished || first
  const ties = warm.filter(
    (y) => y !== best && Math.abs(burden(y.year) - burden(best.year)) <= TIE * burden(best.year),
  )
  return {
    best,
    why: wished
      ? 'comfort'
      : superlativeOf(best.year, [...years.map((y) => y.year), ...(asSet ? [asSet] : [])]),
    ties,
  }
}

/** Compares one row with the whole table: the strategies, and the job as it is set now. */
function superlativeOf(best: Year, table: readonly Year[]): RecommendReason {
  const others = table.filter((y) => y !== best)
  const isWarm = (y: Year) => y.unmetDegreeHours <= UNNOTICED_DEGREE_HOURS
  if (!isWarm(best))
    return others.every((y) => y.unmetDegreeHours >= best.unmetDegreeHours - UNNOTICED_DEGREE_HOURS)
      ? 'lessUnmet'
      : 'leastSharing'
  const warm = others.filter(isWarm)
  if (!warm.length && others.length) return 'onlyWarm'
  return warm.every((y) => burden(y) >= burden(best)) ? 'cheapest' : 'leastSharing'
}

/** Figure to compare strategies by: cost, or the energy bought where a price is missing, BTU. */
const burden = (year: Year): number => year.cost ?? year.kwh * BTU_PER_KWH + year.furnaceHeat
