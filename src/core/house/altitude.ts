/** ft above which a gas burner's input is reduced, and the share it loses for each 1,000 ft counted from sea level. */
const DERATE = { aboveFt: 2000, sharePer1000Ft: 0.04 }
/** psi: the atmosphere at sea level, a house's gas pressure above it (7 in.w.c.), and the pressure that a cubic foot is sold at. */
const [SEA_LEVEL_PSI, HOUSE_GAS_PSI, SOLD_AT_PSI] = [14.696, 0.25, 14.73]

/**
 * Share of its nameplate input that a gas burner is set up for at a site: 4 % less for each 1,000 ft, counted from sea level,
 * at sites above 2,000 ft (the usual rule of gas codes). The orifices do it. The plate's or the manufacturer's own figures for
 * altitude win over it.
 */
export const gasInputShare = (altitudeFt = 0): number =>
  altitudeFt > DERATE.aboveFt ? 1 - (DERATE.sharePer1000Ft * altitudeFt) / 1000 : 1

/** psi of the atmosphere, by the standard atmosphere: 14.696 · (1 − 6.8756 · 10⁻⁶ · ft)^5.2559. */
const atmospherePsi = (altitudeFt = 0): number => SEA_LEVEL_PSI * (1 - 6.8756e-6 * altitudeFt) ** 5.2559

/**
 * Share of a sold cubic foot of gas that is in a foot of a meter without pressure compensation: the pressure in the meter over
 * the pressure that gas is sold at. A meter's index is taken to be right at sea level, so it is never above 1.
 */
export const meteredShare = (altitudeFt = 0): number =>
  Math.min(1, (atmospherePsi(altitudeFt) + HOUSE_GAS_PSI) / SOLD_AT_PSI)
