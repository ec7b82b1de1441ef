import { breakEvenCop, BTU_PER_KWH, loadAt, loadLineOf } from '../house'
import type { JobSeen } from '../installation'
import { tolerances } from '../tolerances'
import { heatersOf } from './plant'
import type { HouseAt } from './year'

/**
 * The warmest temperature, °F, at which one figure stops being at least the other, going down; null where it is at least
 * the other everywhere, `never` where nowhere. Found by halving, to a hundredth of a degree.
 */
function crossingBelow(
  isEnough: (outdoorF: number) => boolean,
  from: number,
  to: number = tolerances.coldestF,
): number | null | 'never' {
  if (!isEnough(from)) return 'never'
  let [warm, cold] = [from, NaN]
  for (let t = from; t >= to; t -= 0.25) {
    if (!isEnough(t)) {
      cold = t
      break
    }
    warm = t
  }
  if (Number.isNaN(cold)) return null
  while (warm - cold > 0.01) {
    const middle = (warm + cold) / 2
    if (isEnough(middle)) warm = middle
    else cold = middle
  }
  return warm
}

/** A temperature down to which something holds; null: as cold as this job is proven over. `never`: it does not hold. */
export type DownTo = number | null | 'never'

const justBelowNoHeat = (house: Pick<HouseAt, 'line'>): number => house.line.noHeatF - 0.5

/** Inputs of a balance point. */
type Balanced = Pick<HouseAt, 'line'> & { plant: Pick<HouseAt['plant'], 'unit'> }

/** °F down to which the heat pump alone carries the house: where its capacity meets the load. */
export const balancePoint = (house: Balanced): DownTo =>
  crossingBelow((t) => (house.plant.unit?.capacity(t) ?? 0) >= loadAt(house.line, t), justBelowNoHeat(house))

/** The same from what is known of the job alone; undefined where the load or the capacity is not. */
export function balanceOf(seen: JobSeen): DownTo | undefined {
  const { unit } = heatersOf(seen)
  const line = loadLineOf(seen.house, unit)
  if (!line || !unit || unit.capacity(47) === null) return undefined
  return balancePoint({ line, plant: { unit } })
}

/** °F down to which a heat of so many BTU/h alone carries the house. */
export const holdsDownTo = (house: HouseAt, btuh: number): DownTo =>
  crossingBelow((t) => btuh >= loadAt(house.line, t), justBelowNoHeat(house))

/** kW that backup must give beside the heat pump at an outdoor temperature: max(0, load − capacity) / 3412. */
export const auxNeededKw = (house: Balanced, outdoorF: number): number =>
  Math.max(0, loadAt(house.line, outdoorF) - (house.plant.unit?.capacity(outdoorF) ?? 0)) / BTU_PER_KWH

/** The temperature at which heat from fuel and from electricity costs the same. */
export interface BreakEven {
  /** The COP from which the heat pump is the cheaper one. */
  cop: number
  /** °F above which it has that COP; null: at every temperature it runs at; `never`: at none. */
  aboveF: DownTo
}

/**
 * The break-even of the heat pump, at the capacity that it delivers, against the furnace; null where a price, the furnace's figures or the COP is missing.
 * @param kwh price of a kWh, @param fuelPrice of a therm or gallon, in the same money
 */
export function breakEven(
  { unit, burner }: Pick<HouseAt['plant'], 'unit' | 'burner'>,
  line: HouseAt['line'] | null,
  kwh: number | undefined,
  fuelPrice: number | undefined,
): BreakEven | null {
  if (!unit || !burner || kwh === undefined || fuelPrice === undefined) return null
  const cop = breakEvenCop(kwh, fuelPrice, burner)
  // Warmer than this nobody heats.
  const warm = 65
  const copAt = (t: number) => unit.steadyCop(t, line && loadAt(line, t))
  if (copAt(warm) === null) return null
  return { cop, aboveF: crossingBelow((t) => (copAt(t) ?? 0) >= cop, warm, unit.floorF ?? undefined) }
}

/** BTU/h that a listed kit gives at the job's volts: (V / rated V)² of its kilowatts. */
export const kitKwAt = (kilowatts: number, volts: number, ratedVolts = 240): number =>
  kilowatts * (volts / ratedVolts) ** 2

/** The smallest kit of a list that gives so many kW at these volts; null: none does. */
export const smallestKit = (
  listed: readonly { kilowatts: number; ratedVolts?: number }[],
  kw: number,
  volts: number,
): { kilowatts: number; givesKw: number } | null =>
  [...listed]
    .map((k) => ({ kilowatts: k.kilowatts, givesKw: kitKwAt(k.kilowatts, volts, k.ratedVolts) }))
    .sort((a, b) => a.kilowatts - b.kilowatts)
    .find((k) => k.givesKw >= kw - 1e-9) ?? null
