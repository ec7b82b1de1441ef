import { monthAndHour, type Weather } from './weather'

/** A price of the kWh in some months and hours: from and to, the last one included; hours may run past midnight. */
export interface RatePeriod {
  /** 1 to 12. */
  fromMonth: number
  toMonth: number
  /** 0 to 23. */
  fromHour: number
  toHour: number
  kwh: number
}

/** The least and the most that a kWh, a therm or a gallon may cost. */
export const PRICE_LIMITS = { least: 0.001, most: 1000 }

/** Energy prices, in the local currency. */
export interface Prices {
  /** A kWh, where no period says otherwise. */
  kwh?: number
  /** A therm of natural gas, or a gallon of LP or oil. */
  fuel?: number
  /** The sign before an amount: at most four characters; left out: none is shown. */
  currency?: string
  periods?: readonly RatePeriod[]
}

const isWithin = (n: number, from: number, to: number): boolean =>
  from <= to ? n >= from && n <= to : n >= from || n <= to

/** The price of a kWh in an hour of the year; undefined where none is known. The first period that holds it counts. */
export function kwhAt(prices: Prices, month: number, hourOfDay: number): number | undefined {
  const period = prices.periods?.find(
    (p) => isWithin(month + 1, p.fromMonth, p.toMonth) && isWithin(hourOfDay, p.fromHour, p.toHour),
  )
  return period?.kwh ?? prices.kwh
}

/**
 * The mean price of a kWh over the hours that are colder than a temperature, which is when heat is bought; the plain
 * price where hours are not told apart. Undefined where some hour has none.
 */
export function meanKwh(prices: Prices, weather: Weather | null, belowF: number): number | undefined {
  if (!prices.periods?.length || weather?.kind !== 'hours') return prices.kwh
  let [sum, hours] = [0, 0]
  for (const [hour, t] of weather.hours.entries()) {
    if (t >= belowF) continue
    const { month, hourOfDay } = monthAndHour(hour)
    const price = kwhAt(prices, month, hourOfDay)
    if (price === undefined) return undefined
    sum += price
    hours++
  }
  return hours ? sum / hours : prices.kwh
}
