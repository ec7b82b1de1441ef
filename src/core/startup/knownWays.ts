import { Circuit, solve } from '../circuit'
import type { Point, Ref } from '../installation'
import { assume, oneChanged, unknownsOf, usualValues, type Situation } from '../situation'
import type { Value } from '../equipment'
import type { Ohms } from '../units'

/** A circuit with all that is not known taken one way, and beside it each of those things alone another way. */
export interface Variants {
  usual: Circuit
  others: { ref: Ref; circuit: Circuit }[]
}

/**
 * The circuit with its usual assumptions (a setting at its default, a conductor in doubt there), and once more for each
 * unknown taken the other way. A result that is the same in all of them depends on no unknown. Laid out once for a
 * circuit.
 */
export const variantsOf = (circuit: Circuit): Variants => circuit.cache.once(laidOut)

function laidOut(circuit: Circuit): Variants {
  const { inst } = circuit
  const unknowns = unknownsOf(inst)
  if (!unknowns.length) return { usual: circuit, others: [] }
  const usual = usualValues(inst, unknowns)
  const taken = (values: readonly Value[]) => new Circuit(assume(inst, unknowns, values), circuit)
  const others = oneChanged(unknowns, usual).map((o) => ({ ref: o.ref, circuit: taken(o.values) }))
  return { usual: taken(usual), others }
}

/** Unknowns that a result depends on: those that change it. */
export const unknownsBehind = <T>({ others }: Variants, usually: T, of: (circuit: Circuit) => T): Ref[] => [
  ...new Set(others.flatMap((o) => (of(o.circuit) === usually ? [] : [o.ref]))),
]

/** Loads that run in a state, and those that do or do not by what is not known; null: it does not settle. */
export function runningBy(
  { usual, others }: Variants,
  situation: Situation,
): { runs: Ref[]; open: Ref[] } | null {
  const runningIn = (circuit: Circuit) => {
    const solved = solve(circuit, situation)
    return solved.ok ? new Set(solved.running.map((l) => l.ref)) : null
  }
  const running = runningIn(usual)
  if (!running) return null
  const otherwise = others.map((o) => runningIn(o.circuit))
  const open = usual.net.loads
    .map((l) => l.ref)
    .filter((ref) => otherwise.some((set) => (set?.has(ref) ?? false) !== running.has(ref)))
  return { runs: [...running].filter((ref) => !open.includes(ref)), open }
}

/** Unknowns that change a meter's reading between two points by more than a volt. */
export function unknownsBehindVolts(
  ways: Variants,
  situation: Situation,
  from: Point,
  to: Point,
  ohms: Ohms,
): Ref[] {
  const shown = (circuit: Circuit): number => {
    const solved = solve(circuit, situation)
    return solved.ok ? solved.meter(from, to, ohms) : Number.NaN
  }
  if (!ways.others.length) return []
  const usually = shown(ways.usual)
  return unknownsBehind(ways, true, (circuit) => Math.abs(shown(circuit) - usually) <= 1)
}
