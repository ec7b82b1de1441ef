/** BTU in one unit of a fuel as it is sold: a therm of natural gas, a gallon of LP, a gallon of No. 2 oil. */
export const HEAT_CONTENT = { gas: 100_000, lp: 91_500, oil: 138_500 } as const
export type Fuel = keyof typeof HEAT_CONTENT
/** BTU in a kilowatt-hour. */
export const BTU_PER_KWH = 3412

/** A furnace at full fire, in the figures that its heat is priced by. */
export interface FurnaceFigures {
  /** BTU/h of its fuel that reach the house: input times efficiency. */
  outputBtuh: number
  efficiency: number
  fuel: Fuel
  /** kW of its blower, all of which warms the house. */
  blowerKw: number
  /** kW of its inducer or oil burner motor, which warms nothing. */
  motorKw: number
}

/** BTU/h that a furnace at full fire gives the house while the heat pump is off: its fuel's heat and its blower's. */
export const furnaceBtuh = ({ outputBtuh, blowerKw }: FurnaceFigures): number =>
  outputBtuh + BTU_PER_KWH * blowerKw

/**
 * The COP at which a heat pump's heat costs what a furnace's does. In an hour at full fire the furnace costs its fuel and the
 * electricity of blower and motor. A rated COP has the heat pump's share of the indoor blower in it already. So
 * COP = (kwh / 3412) · heat given / (fuelPrice · output / (efficiency · heat content) + kwh · (blower + motor)).
 * @param kwh price of a kWh; @param fuelPrice price of a therm or gallon; both above 0, in the same money
 */
export function breakEvenCop(kwh: number, fuelPrice: number, furnace: FurnaceFigures): number {
  const { outputBtuh, efficiency, fuel, blowerKw, motorKw } = furnace
  const burned = outputBtuh / (efficiency * HEAT_CONTENT[fuel])
  const hour = fuelPrice * burned + kwh * (blowerKw + motorKw)
  return ((kwh / BTU_PER_KWH) * furnaceBtuh(furnace)) / hour
}
