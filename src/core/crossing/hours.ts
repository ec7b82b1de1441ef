import { kwhAt, monthAndHour, type Prices, type Weather } from '../house'

/**
 * A year of hours by outdoor temperature. What runs in an hour depends on the temperature alone, so hours of one
 * temperature are calculated once, whatever time of the year they have; what their kWh cost is summed beforehand.
 */
export interface HoursOfYear {
  /** °F, ascending, and how many hours have it. */
  outdoorF: Float64Array
  hours: Float64Array
  /** Sum of the price of a kWh over those hours; NaN where some hour has none. */
  priced: Float64Array
  /** The same by month, 0 to 11; empty where months are not told apart. */
  months: { hours: Float64Array; priced: Float64Array }[]
}

/** The hours of a weather, with the price of the kWh in each. */
export function hoursOfYear(weather: Weather, prices: Prices): HoursOfYear {
  if (weather.kind === 'bins') {
    const sorted = [...weather.bins].sort((a, b) => a[0] - b[0])
    const hours = Float64Array.from(sorted, ([, h]) => h)
    const price = prices.periods?.length ? NaN : (prices.kwh ?? NaN)
    return {
      outdoorF: Float64Array.from(sorted, ([t]) => t),
      hours,
      // Bins say nothing of the time of day: with a price by the hour only the plain one can be meant.
      priced: hours.map((h) => h * (Number.isNaN(price) ? (prices.kwh ?? NaN) : price)),
      months: [],
    }
  }
  const temperatures = [...new Set(weather.hours)].sort((a, b) => a - b)
  const indexOf = new Map(temperatures.map((t, i) => [t, i]))
  const size = temperatures.length
  const blank = () => ({ hours: new Float64Array(size), priced: new Float64Array(size) })
  const all = blank()
  const months = Array.from({ length: 12 }, blank)
  for (const [hour, t] of weather.hours.entries()) {
    const i = indexOf.get(t) ?? 0
    const { month, hourOfDay } = monthAndHour(hour)
    const price = kwhAt(prices, month, hourOfDay) ?? NaN
    for (const sum of [all, months[month] ?? all]) {
      sum.hours[i] = (sum.hours[i] ?? 0) + 1
      sum.priced[i] = (sum.priced[i] ?? 0) + price
    }
  }
  return { outdoorF: Float64Array.from(temperatures), ...all, months }
}
