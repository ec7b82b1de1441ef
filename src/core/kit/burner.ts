import { HEAT_CONTENT } from '../house'

/** BTU/h of a gas burner by its meter: 3600 · ft³ · heating value / s. */
export const clockedInput = (cubicFeet: number, seconds: number, btuPerFt3: number): number =>
  (3600 * cubicFeet * btuPerFt3) / seconds

/** gal/h of a nozzle at a pump pressure: rated at 100 psi, flow goes with the square root of pressure. */
export const nozzleFlow = (ratedGph: number, psi: number): number => ratedGph * Math.sqrt(psi / 100)
/** BTU/h of an oil burner: gal/h · 138,500. */
export const oilInput = (gph: number): number => gph * HEAT_CONTENT.oil
/** gal/h at 100 psi of the nozzle for an input at a pump pressure. */
export const nozzleFor = (inputBtuh: number, psi: number): number =>
  inputBtuh / HEAT_CONTENT.oil / Math.sqrt(psi / 100)

/** Share by which a clocked input may stand off its plate. */
export const INPUT_SHARE = 0.05
/** in.w.c. at the manifold: natural gas, LP; the plate wins. */
export const MANIFOLD = { gas: [3.2, 3.8], lp: [10, 11] } as const
