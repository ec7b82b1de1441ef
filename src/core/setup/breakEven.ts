import { degF, type DegF } from '../units'

/** BTU in one unit of a fuel as it is sold: a therm of natural gas, a gallon of LP, a gallon of No. 2 oil. */
export const HEAT_CONTENT = { gas: 100_000, lp: 91_500, oil: 138_500 } as const
export type Fuel = keyof typeof HEAT_CONTENT
/** BTU in a kilowatt-hour. */
export const BTU_PER_KWH = 3412

/**
 * The COP at which a heat pump's heat costs what the furnace's does:
 * (price per kWh / 3412) / (fuel price / (heat content · efficiency)).
 * @param kwh price of a kWh; @param fuelPrice price of a therm or gallon; both above 0, in the same money
 * @param efficiency of the furnace, 0 to 1
 */
export const breakEvenCop = (kwh: number, fuelPrice: number, fuel: Fuel, efficiency: number): number =>
  kwh / BTU_PER_KWH / (fuelPrice / (HEAT_CONTENT[fuel] * efficiency))

/**
 * °F outdoors at which the unit's COP is the break-even one, on the line through its ratings at 17 and 47 °F; below it
 * the furnace is cheaper. Null where the two ratings do not rise with warmth, or something is missing.
 */
export function breakEvenF(cop: number, cop17: number, cop47: number): DegF | null {
  if (!(cop > 0) || !(cop17 > 0) || !(cop47 > cop17)) return null
  return degF(17 + ((cop - cop17) / (cop47 - cop17)) * 30)
}
