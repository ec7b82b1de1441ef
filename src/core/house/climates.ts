import { houseValue, type House } from './values'
import { designTemperature, MONTH_HOURS, YEAR_HOURS, type Weather } from './weather'

/** Climates that ship with the product. They are invented: a year made from these figures, the same one every time. */
export const CLIMATES = {
  mildWet: { meanF: 52, yearF: 12, dayF: 5, swingF: 5, humid: true, seed: 11 },
  mixed: { meanF: 54, yearF: 21, dayF: 8, swingF: 8, humid: false, seed: 23 },
  coldDry: { meanF: 43, yearF: 26, dayF: 9, swingF: 11, humid: false, seed: 37 },
} as const
export type Climate = keyof typeof CLIMATES

/** The coldest day of the year and the coldest hour of the day, counted from the first of January and from midnight. */
const COLDEST_DAY = 19
const COLDEST_HOUR = 6
/** How much of yesterday's weather is left an hour later: fronts last about three days. */
const STAYS = 0.986

/** Numbers from 0 to 1, the same for the same seed (a 32-bit mixing generator). */
function numbersFrom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let x = Math.imul(state ^ (state >>> 15), state | 1)
    x ^= x + Math.imul(x ^ (x >>> 7), x | 61)
    return ((x ^ (x >>> 14)) >>> 0) / 4294967296
  }
}

/** A year of one of the climates, hour by hour, to a tenth of a degree. */
export function climateYear(climate: Climate): Weather {
  const { meanF, yearF, dayF, swingF, seed } = CLIMATES[climate]
  const next = numbersFrom(seed)
  // The sum of twelve is as good as normal, with a spread of one.
  const normal = () => Array.from({ length: 12 }, next).reduce((sum, x) => sum + x, -6)
  const hours = new Float64Array(YEAR_HOURS)
  let front = 0
  for (let hour = 0; hour < YEAR_HOURS; hour++) {
    front = STAYS * front + Math.sqrt(1 - STAYS * STAYS) * swingF * normal()
    const day = 2 * Math.PI * ((hour / 24 - COLDEST_DAY) / 365)
    const clock = 2 * Math.PI * (((hour % 24) - COLDEST_HOUR) / 24)
    hours[hour] = Math.round(10 * (meanF - yearF * Math.cos(day) - dayF * Math.cos(clock) + front)) / 10
  }
  return { kind: 'hours', hours }
}

/** The weather that a house is calculated with. */
export type ClimateChoice =
  | { kind: 'shipped'; climate: Climate }
  /** °F and hours a year. */
  | { kind: 'bins'; name: string; bins: readonly { outdoorF: number; hours: number }[] }
  /** °F of each hour, with spaces between, a text for each month: a file that a person can read and compare. */
  | { kind: 'hours'; name: string; months: readonly string[] }

/** The year that a choice stands for. */
export function weatherOf(choice: ClimateChoice): Weather {
  if (choice.kind === 'shipped') return climateYear(choice.climate)
  if (choice.kind === 'bins')
    return { kind: 'bins', bins: choice.bins.map((b) => [b.outdoorF, b.hours] as const) }
  return { kind: 'hours', hours: Float64Array.from(choice.months.flatMap((m) => m.split(' ').map(Number))) }
}

/** A year of hours as it is kept, a text for each month. */
export function monthTexts(hours: Float64Array): string[] {
  let from = 0
  return MONTH_HOURS.map((has) => {
    const month = [...hours.subarray(from, from + has)]
    from += has
    return month.map((t) => String(Math.round(10 * t) / 10)).join(' ')
  })
}

/** °F of the outdoor design temperature: as given, else the climate's own coldest hundredth; undefined: neither is known. */
export const designFOf = (house: House, climate: ClimateChoice | null): number | undefined =>
  houseValue(house, 'designF') ?? (climate ? designTemperature(weatherOf(climate)) : undefined)
