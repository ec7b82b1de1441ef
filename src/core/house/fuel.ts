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
