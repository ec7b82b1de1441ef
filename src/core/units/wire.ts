import { asOhms, type Ohms } from './electric'
/** Resistivity of annealed copper at 20 °C, Ω·m (International Annealed Copper Standard). */
const COPPER_OHM_METRES = 1.7241e-8
const METRES_PER_FOOT = 0.3048

/**
 * Resistance of a copper conductor, Ω, at 20 °C.
 * Diameter of gauge n is 0.127 mm · 92^((36 − n) / 39), the definition of American Wire Gauge.
 * @param gauge AWG number, 0 to 40 (4/0 and the like are not used on this work)
 * @param feet one-way length, 0 or more
 */
export function wireOhms(gauge: number, feet: number): Ohms {
  let perFoot = ohmsPerFoot.get(gauge)
  if (perFoot === undefined) {
    const diameter = 0.127e-3 * 92 ** ((36 - gauge) / 39)
    const area = (Math.PI / 4) * diameter * diameter
    perFoot = (COPPER_OHM_METRES * METRES_PER_FOOT) / area
    ohmsPerFoot.set(gauge, perFoot)
  }
  return asOhms(perFoot * feet)
}
const ohmsPerFoot = new Map<number, number>()
