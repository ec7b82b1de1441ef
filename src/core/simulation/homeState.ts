/** State of a house and its heat pump over time. */
export interface State {
  /** °F of exchanger and duct, of the rooms’ air, of what stands behind it. */
  t: Float64Array
  /** °F of the air ahead of the coil, and of the outdoor coil; lb of frost on it. */
  aheadF: number
  coilF: number
  frostLb: number
  /** Share of its capacity at 47 °F that the heat pump takes from outdoors; 0: it takes none. */
  share: number
}

export function copy(from: State, to: State): void {
  to.t.set(from.t)
  to.aheadF = from.aheadF
  to.coilF = from.coilF
  to.frostLb = from.frostLb
  to.share = from.share
}
