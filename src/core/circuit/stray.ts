import { asVolts, type Ohms, type Volts } from '../units'
import type { Installation, Point } from '../installation'
import { tolerances } from '../tolerances'
import { factor, planElimination, solveFactored, type Complexes } from './elimination'
import { impedanceBetween, shownBy, type Impedance } from './impedance'
import { across, nodeOf, type Branch, type Netlist } from './netlist'
import type { Solution } from './solution'
import { bareMatrix, injected, pairsOf, stamp, stampTransformer } from './stamps'

/**
 * Susceptance between the conductors of each control cable, S at 60 Hz: every pair of conductors lies side by side for the
 * cable's length with tolerances.strayFaradsPerFoot between them. A conductor is where it is landed; a bare one is not
 * in the circuit.
 */
function straysOf(inst: Installation, net: Netlist): Branch[] {
  const found: Branch[] = []
  const omega = 2 * Math.PI * tolerances.hertz
  for (const cable of inst.cables) {
    if (cable.kind !== 'low') continue
    const own = inst.wires
      .filter((w) => w.cable === cable.id)
      .flatMap((w) => {
        const node = [w.a, w.b].map((r) => (r ? net.index.get(r) : undefined)).find((n) => n !== undefined)
        return node === undefined ? [] : [{ ref: w.id, node }]
      })
    const im = omega * tolerances.strayFaradsPerFoot * cable.feet
    own.forEach((x, i) => {
      for (const y of own.slice(i + 1))
        if (x.node !== y.node) found.push({ ref: `stray.${x.ref}.${y.ref}`, a: x.node, b: y.node, re: 0, im })
    })
  }
  return found
}

interface Strayed {
  volts: Complexes
  /** Ω between two nodes, complex. */
  impedance(a: number, b: number): Impedance
}

function withStrays(solution: Solution): Strayed | null {
  const { circuit, state } = solution
  const { net } = circuit
  const strays = straysOf(circuit.inst, net)
  const branches = [
    ...net.conductors,
    ...net.leaks,
    ...net.loads,
    ...net.sources,
    ...net.contacts.filter((_, i) => state.closed[i]),
    ...strays,
  ]
  const size = net.nodes.length
  const plan = planElimination(size, pairsOf(branches, net.transformers))
  const m = bareMatrix(plan)
  for (const b of branches) stamp(plan, m, b)
  for (const t of net.transformers) stampTransformer(plan, m, t)
  const factors = factor(plan, m)
  if (!factors) return null
  const volts = injected(size, net.sources)
  solveFactored(plan, factors, volts)
  return {
    volts,
    impedance: (a, b) => impedanceBetween(plan, factors, a, b),
  }
}

/**
 * Volts that a meter of the given impedance (Ω) shows between two points, stray capacitance of the cables included: a
 * conductor that nothing holds reads its neighbours' ghost on a high-impedance meter and almost nothing on a low one.
 * NaN for a point that is not there. Contacts stand as they were solved without the strays, whose microamps move no coil.
 */
export function meterWithStrays(solution: Solution, a: Point, b: Point, ohms: Ohms): Volts {
  const { net } = solution.circuit
  const [i, j] = [nodeOf(net, a), nodeOf(net, b)]
  if (Number.isNaN(i) || Number.isNaN(j)) return asVolts(Number.NaN)
  const s = solution.cache.once(withStrays)
  if (!s) return asVolts(Number.NaN)
  return shownBy(ohms, across(s.volts, i, j), s.impedance(i, j))
}
