import type { Circuit } from '../circuit'
import { crossingOf, type Year } from '../crossing'
import {
  DEFAULT_INDOOR_F,
  HEAT_CONTENT,
  houseValue,
  meanKwh,
  monthTexts,
  weatherOf,
  YEAR_HOURS,
  type Fuel,
  type Weather,
} from '../house'
import type { JobSeen } from '../installation'
import { settingsWith } from '../query'
import type { Air } from './input'
import { simulate } from './simulate'
import type { Sums } from './sums'
import type { WallEvent } from './wall'

/** From the first of November, 180 days. */
const FROM_HOUR = 304 * 24
export const WINTER_DAYS = 180

/** Setpoint through the winter: one temperature, or lower at night. */
export type Habit = 'steady' | 'setback'
/** A night's setback: °F lower from ten to six. */
const NIGHT = { byF: 8, from: 22, to: 6 } as const

export interface WinterOptions {
  habit?: Habit
  /** An early start does without backup. */
  holdsBackup?: boolean
  /** Left out: all 180. */
  days?: number
  /** Hears how much of it is run, from 0 to 1. */
  onShare?: (share: number) => void
}

/** A winter of this job, run through. */
export interface Winter {
  sums: Sums
  /** In the money of the place; null where a price is missing. */
  cost: number | null
  ended: 'until' | 'rest' | 'chatter'
  /** The Balance page's sums for the same hours; null: one of their inputs is missing. */
  year: Year | null
}

/** Hourly outdoor air from an hour of the year on, in straight lines between the hours. */
export function airOf(weather: Extract<Weather, { kind: 'hours' }>, fromHour: number): Air {
  const { hours } = weather
  const hour = (i: number): number => hours[((i % YEAR_HOURS) + YEAR_HOURS) % YEAR_HOURS] ?? 0
  return {
    at(second) {
      const h = second / 3600 + fromHour
      const i = Math.floor(h)
      return hour(i) + (hour(i + 1) - hour(i)) * (h - i)
    },
  }
}

/** Runs the winter of a job; null where its climate is not known by the hour. */
export function winterOf(
  seen: JobSeen,
  circuit: Circuit,
  { habit = 'steady', holdsBackup = false, days = WINTER_DAYS, onShare }: WinterOptions = {},
): Winter | null {
  const weather = seen.climate && weatherOf(seen.climate)
  if (weather?.kind !== 'hours') return null
  const indoor = houseValue(seen.house, 'indoorF') ?? DEFAULT_INDOOR_F
  const { sums, ended } = simulate(circuit, seen, {
    air: airOf(weather, FROM_HOUR),
    until: days * 86_400,
    setpointF: habit === 'setback' ? indoor - NIGHT.byF : indoor,
    roomF: indoor,
    system: 'heat',
    wall: habit === 'setback' ? nights(indoor) : [],
    events: [],
    sampleEvery: 0,
    wakes: { at: NIGHT.to * 3600, every: 86_400 },
    holdsBackup,
    onShare,
  })
  const counted = onlyRun(weather.hours, days)
  const climate = { kind: 'hours' as const, name: 'winter', months: monthTexts(counted) }
  const crossing = crossingOf({ ...seen, climate }, circuit)
  return {
    sums,
    cost: costOf(seen, sums, { kind: 'hours', hours: counted }, crossing.plant.fuel),
    ended,
    year: habit === 'steady' ? crossing.year : null,
  }
}

/** °F at which no house needs heat: what an hour that does not count is taken to be. */
const NO_HEAT_F = 85

/** A year of which only the hours that were run want anything. */
const onlyRun = (hours: Float64Array, days: number): Float64Array =>
  hours.map((t, h) => ((h - FROM_HOUR + YEAR_HOURS) % YEAR_HOURS < days * 24 ? t : NO_HEAT_F))

const nights = (indoor: number): WallEvent[] =>
  Array.from({ length: WINTER_DAYS }, (_, day): WallEvent[] => [
    { at: (day * 24 + NIGHT.to) * 3600, setpointF: indoor, by: 'schedule' },
    { at: (day * 24 + NIGHT.from) * 3600, setpointF: indoor - NIGHT.byF, by: 'schedule' },
  ]).flat()

/**
 * Cost of kWh and fuel. Prices that differ by hour count by their mean over the hours that were run: sums know no
 * hours.
 */
function costOf({ prices }: JobSeen, sums: Sums, run: Weather, fuel: Fuel | null): number | null {
  const price = meanKwh(prices, run, NO_HEAT_F)
  if (price === undefined) return null
  const electric = kwhOf(sums) * price
  if (sums.fuelBtu === 0 || !fuel) return electric
  return prices.fuel === undefined ? null : electric + (sums.fuelBtu / HEAT_CONTENT[fuel]) * prices.fuel
}

/** Settings of a job that work against each other over a winter, with what the one costs. */
export interface Against {
  code: 'recoveryWithBackup'
  kwh: number
}

/** Winters that `worksAgainst` runs. */
export const wintersAgainst = (inst: JobSeen['inst']): number =>
  settingsWith(inst, 'earlyRecovery')[0]?.value === 'on' ? 2 : 0

/**
 * Cost of backup during an early recovery: a winter of night setbacks with it, against one with the heat pump alone.
 */
export function worksAgainst(
  seen: JobSeen,
  circuit: Circuit,
  { days = WINTER_DAYS, onShare }: Pick<WinterOptions, 'days' | 'onShare'> = {},
): Against[] {
  if (wintersAgainst(seen.inst) === 0) return []
  const part = (from: number) => (share: number) => onShare?.(from + share / 2)
  const allowed = winterOf(seen, circuit, { habit: 'setback', days, onShare: part(0) })
  const alone = winterOf(seen, circuit, { habit: 'setback', holdsBackup: true, days, onShare: part(0.5) })
  if (!allowed || !alone) return []
  const more = kwhOf(allowed.sums) - kwhOf(alone.sums)
  return more > 1 ? [{ code: 'recoveryWithBackup', kwh: more }] : []
}

/** kWh of everything that heats and blows. */
export const kwhOf = (s: Sums): number => s.heatPumpKwh + s.stripKwh + s.blowerKwh
