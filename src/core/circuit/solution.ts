import { asAmps, asVolts, type Amps, type Ohms, type Volts } from '../units'
import type { Truth } from '../equipment'
import type { Point, Ref } from '../installation'
import { DerivedCache } from '../cache'
import type { Situation } from '../situation'
import { tolerances } from '../tolerances'
import { truthOf } from './drivers'
import { complexes, type Complexes, type Factors } from './elimination'
import { impedanceBetween, shownBy } from './impedance'
import { across, nodeOf, type Branch, type LoadBranch } from './netlist'
import { overcurrents, type Overcurrent } from './overcurrent'
import type { Circuit, Outcome, Settled, UnknownAs } from './solver'

/** A solved operating state: volts and amps between any points, and which loads run. */
export interface Solution {
  ok: true
  situation: Situation
  circuit: Circuit
  state: Settled
  /** Volts (magnitude) between two points with nothing connected to them; NaN for a point that is not there. */
  volts(a: Point, b: Point): Volts
  /** Volts that a meter of the given impedance (Ω) shows between two points. */
  meter(a: Point, b: Point, ohms?: Ohms): Volts
  /** Amps (magnitude) through a wire, contact, load or plain conductor. */
  amps(ref: Ref): Amps
  /** Whether a contact is closed; unknown where its driver is. */
  closed(ref: Ref): Truth
  energised(load: Ref): boolean
  /** Loads that do something worth naming and have their volts. */
  running: LoadBranch[]
  overcurrents: Overcurrent[]
  /** Values that others derived from this solution. */
  cache: DerivedCache<Solution>
}
export interface Unsolved {
  ok: false
  situation: Situation
  why: 'chatter' | 'singular'
  /** Coils that keep changing. */
  cycle: Ref[]
}
export type Solved = Solution | Unsolved

/** The rest of a situation, and of what stood before it first where that is named. */
export function settled(circuit: Circuit, situation: Situation, unknownAs: UnknownAs): Outcome {
  const before = situation.after && settled(circuit, situation.after, unknownAs)
  return before?.ok ? circuit.settleAfter(situation, before, unknownAs) : circuit.settle(situation, unknownAs)
}

/** Solves one situation of a circuit. */
export function solve(circuit: Circuit, situation: Situation, unknownAs: UnknownAs = 'open'): Solved {
  const state = settled(circuit, situation, unknownAs)
  if (!state.ok) return { ok: false, situation, why: state.why, cycle: state.cycle }
  return solutionOf(circuit, situation, state)
}

/** Wraps a settled circuit in the questions that can be asked of it, whichever state it settled from. */
export function solutionOf(circuit: Circuit, situation: Situation, state: Settled): Solution {
  const { net, plan } = circuit
  // Metering asks many times of one state.
  let factors: Factors | null = null
  let room: Complexes | null = null
  let derived: DerivedCache<Solution> | null = null
  const node = (ref: Point): number => nodeOf(net, ref)
  const volts = (a: Point, b: Point): Volts => {
    const i = node(a)
    const j = node(b)
    return Number.isNaN(i) || Number.isNaN(j) ? asVolts(Number.NaN) : across(state.volts, i, j)
  }
  const solution: Solution = {
    ok: true,
    situation,
    circuit,
    state,
    volts,
    meter(a, b, ohms = tolerances.meterOhms) {
      const open = volts(a, b)
      if (!(open > 0)) return open
      factors ??= circuit.factors(state.closed)
      if (!factors) return open
      room ??= complexes(plan.size)
      return shownBy(ohms, open, impedanceBetween(plan, factors, node(a), node(b), room))
    },
    amps: (ref) => branchAmps(circuit, state, ref),
    closed(ref) {
      const i = net.contacts.findIndex((c) => c.ref === ref)
      return i < 0 ? 'unknown' : truthOf(standsAt(state, i))
    },
    energised(load) {
      const i = net.loads.findIndex((l) => l.ref === load)
      return i >= 0 && state.coils[i] === 2
    },
    running: net.loads.filter(
      (l, i) => l.part.does && l.part.does.what !== 'control' && state.coils[i] === 2,
    ),
    overcurrents: overcurrents(circuit.net, state),
    get cache() {
      return (derived ??= new DerivedCache(solution))
    },
  }
  return solution
}

const through = (b: Branch, s: Settled): Amps => asAmps(across(s.volts, b.a, b.b) * Math.hypot(b.re, b.im))

function branchAmps(circuit: Circuit, s: Settled, ref: Ref): Amps {
  const { conductors, contacts, loads } = circuit.net
  const plain = conductors.find((b) => b.ref === ref) ?? loads.find((b) => b.ref === ref)
  if (plain) return through(plain, s)
  const i = contacts.findIndex((b) => b.ref === ref)
  if (i < 0) return asAmps(Number.NaN)
  return s.closed[i] ? through(contacts[i]!, s) : asAmps(0)
}

/**
 * How a contact stands: 0 open, 1 nobody knows, 2 closed. At rest that is what its driver says; in time a slow one stands
 * otherwise for a while.
 */
export function standsAt(
  { drivers, closed }: Pick<Settled, 'drivers' | 'closed'>,
  contact: number,
): 0 | 1 | 2 {
  if (drivers[contact] === 1) return 1
  return closed[contact] === 1 ? 2 : 0
}
