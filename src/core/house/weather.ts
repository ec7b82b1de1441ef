/** Hours of the months of a year of 365 days, which every weather here is brought to. */
export const MONTH_HOURS = [744, 672, 744, 720, 744, 720, 744, 744, 720, 744, 720, 744] as const
export const YEAR_HOURS = 8760

/** A year of outdoor temperatures: hour by hour, or how many hours each has. */
export type Weather =
  /** °F of each hour, 8,760 of them, from midnight of the first of January. */
  | { kind: 'hours'; hours: Float64Array }
  /** °F and hours a year. */
  | { kind: 'bins'; bins: readonly (readonly [outdoorF: number, hours: number])[] }

/** Month (0 to 11) and hour of the day (0 to 23) of an hour of the year. */
export function monthAndHour(hour: number): { month: number; hourOfDay: number } {
  let month = 0
  for (let left = hour; month < 11; month++) {
    const has = MONTH_HOURS[month] ?? 0
    if (left < has) break
    left -= has
  }
  return { month, hourOfDay: hour % 24 }
}

/** °F that all but `share` of the hours of the year stay above: 0.01 is the usual winter design temperature. */
export function designTemperature(weather: Weather, share = 0.01): number {
  const sorted =
    weather.kind === 'hours'
      ? [...weather.hours].sort((a, b) => a - b).map((t) => [t, 1] as const)
      : [...weather.bins].sort((a, b) => a[0] - b[0])
  const all = sorted.reduce((sum, [, hours]) => sum + hours, 0)
  let passed = 0
  for (const [t, hours] of sorted) {
    passed += hours
    if (passed >= share * all) return t
  }
  return Number.NaN
}

/** °F·days of a year below a temperature. */
export function degreeDaysBelow(weather: Weather, noHeatF: number): number {
  let sum = 0
  if (weather.kind === 'hours') for (const t of weather.hours) sum += Math.max(0, noHeatF - t)
  else for (const [t, hours] of weather.bins) sum += Math.max(0, noHeatF - t) * hours
  return sum / 24
}

/**
 * A year in bins of one degree, each standing for the middle of its hours, split at every temperature at which somebody
 * changes an answer: then no bin lies on both sides of a gate.
 * @param gates °F
 */
export function binned(weather: Weather, gates: readonly number[] = []): Weather {
  if (weather.kind === 'bins') return weather
  const edges = [...gates].sort((a, b) => a - b)
  const found = new Map<string, { sum: number; hours: number }>()
  for (const t of weather.hours) {
    const side = edges.filter((g) => g <= t).length
    const key = `${Math.floor(t)}/${side}`
    const bin = found.get(key) ?? { sum: 0, hours: 0 }
    bin.sum += t
    bin.hours += 1
    found.set(key, bin)
  }
  const bins = [...found.values()].map(({ sum, hours }) => [sum / hours, hours] as const)
  return { kind: 'bins', bins: bins.sort((a, b) => a[0] - b[0]) }
}
