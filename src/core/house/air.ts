/** BTU/h that a CFM of sea-level air takes with each degree: 60 min/h · 0.075 lb/ft³ · 0.24 BTU/lb·°F. */
const AIR_FACTOR = 1.08

/** Density of air against that at sea level: exp(−altitude / 27,000 ft). */
const densityRatio = (altitudeFt = 0): number => Math.exp(-altitudeFt / 27_000)
/** °F by which an airflow is warmed: Q / (1.08 · CFM · k). */
export const riseOf = (btuh: number, cfm: number, altitudeFt = 0): number =>
  btuh / (AIR_FACTOR * cfm * densityRatio(altitudeFt))
/** CFM that takes a heat at a rise: Q / (1.08 · k · ΔT). */
export const airflowOf = (btuh: number, riseF: number, altitudeFt = 0): number =>
  btuh / (AIR_FACTOR * densityRatio(altitudeFt) * riseF)
