import type { Plate } from '../equipment'
import { gasInputShare, HEAT_CONTENT, meteredShare, type Fuel } from '../house'

/**
 * BTU/h that a burner is meant to fire at its site: its plate's input, for gas less what the altitude takes, unless the plate
 * or the manufacturer's table has a figure for the altitude.
 * @returns the input, and whether it is an estimate by altitude; null where the plate has none
 */
export function inputAtSite(
  { inputBtuh, inputAtAltitudeBtuh }: Pick<Plate, 'inputBtuh' | 'inputAtAltitudeBtuh'>,
  fuel: Fuel,
  altitudeFt = 0,
): { btuh: number; isDerated: boolean } | null {
  if (inputAtAltitudeBtuh !== undefined) return { btuh: inputAtAltitudeBtuh, isDerated: false }
  if (inputBtuh === undefined) return null
  const share = fuel === 'oil' ? 1 : gasInputShare(altitudeFt)
  return { btuh: inputBtuh * share, isDerated: share < 1 }
}

/** BTU of a cubic foot at sea level where nobody asked the utility: natural gas, LP vapor. */
export const USUAL_HEATING = { gas: 1030, lp: 2500 } as const
/** psi of an oil pump that nobody read. */
export const USUAL_PSI = 140

/**
 * BTU/h of a gas burner by its meter: 3600 · ft³ · heating value / s.
 * @param btuPerFt3 of a cubic foot as it is sold
 * @param meterFt altitude of a meter that does not compensate for pressure: its cubic foot holds less gas; 0 for one that does
 */
export const clockedInput = (cubicFeet: number, seconds: number, btuPerFt3: number, meterFt = 0): number =>
  (3600 * cubicFeet * btuPerFt3 * meteredShare(meterFt)) / seconds

/** gal/h of a nozzle at a pump pressure: rated at 100 psi, flow goes with the square root of pressure. */
export const nozzleFlow = (ratedGph: number, psi: number): number => ratedGph * Math.sqrt(psi / 100)
/** BTU/h of an oil burner: gal/h · 138,500. */
export const oilInput = (gph: number): number => gph * HEAT_CONTENT.oil
/** gal/h at 100 psi of the nozzle for an input at a pump pressure. */
export const nozzleFor = (inputBtuh: number, psi: number): number =>
  inputBtuh / HEAT_CONTENT.oil / Math.sqrt(psi / 100)

/** Share by which a clocked input may differ from what the burner is meant to fire. */
const INPUT_SHARE = 0.05
/** Whether an input is right for what is wanted, within that share: 0; above it: 1; below it: −1. */
export const inputSide = (input: number, wanted: number): number => {
  const off = input / wanted - 1
  return Math.abs(off) <= INPUT_SHARE ? 0 : Math.sign(off)
}
/** in.w.c. at the manifold: natural gas, LP; the plate wins. */
export const MANIFOLD = { gas: [3.2, 3.8], lp: [10, 11] } as const
