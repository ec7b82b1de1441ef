import { asOhms, type Ohms } from '../units'
import type { Point } from '../installation'
import { tolerances } from '../tolerances'
import { factor, planElimination } from './elimination'
import { impedanceBetween } from './impedance'
import { nodeOf, type Branch } from './netlist'
import type { Circuit } from './solver'
import { bareMatrix, pairsOf, stamp } from './stamps'

/**
 * Ohms that a meter shows between two points with every supply off and locked: all sources gone, every coil at rest,
 * contacts where they rest. A coil shows the resistive part of its impedance, R = |Z| · power factor; a transformer's
 * windings are separate. Infinity from tolerances.openOhms up, as a meter shows OL.
 */
export function ohmsBetween(circuit: Circuit, a: Point, b: Point): Ohms {
  const { net } = circuit
  const [i, j] = [nodeOf(net, a), nodeOf(net, b)]
  if (Number.isNaN(i) || Number.isNaN(j)) return asOhms(Number.NaN)
  if (i === j) return asOhms(0)
  const resting = circuit.atRest()
  const branches: Branch[] = [
    ...net.conductors,
    ...net.contacts.filter((_, n) => resting[n]),
    ...net.leaks,
    ...net.loads.map((l) => ({ ...l, re: conductance(l), im: 0 })),
    ...net.transformers.flatMap((t): Branch[] => [
      { ref: t.ref, a: t.c, b: t.d, re: t.siemens, im: 0 },
      // The primary's copper, turned over by the square of the ratio.
      { ref: t.ref, a: t.a, b: t.b, re: t.siemens * t.ratio * t.ratio, im: 0 },
    ]),
  ]
  const n = net.nodes.length
  const plan = planElimination(n, pairsOf(branches))
  const m = bareMatrix(plan)
  for (const x of branches) stamp(plan, m, x)
  const factors = factor(plan, m)
  if (!factors) return asOhms(Number.NaN)
  const ohms = impedanceBetween(plan, factors, i, j).re
  return asOhms(ohms >= tolerances.openOhms ? Infinity : ohms)
}

/** Z = 1/Y; its resistive part is re(Y)/|Y|². */
function conductance(load: Branch): number {
  const size = load.re * load.re + load.im * load.im
  return size > 0 ? size / load.re : 0
}
