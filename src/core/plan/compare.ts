import { placedByRef, splitRef, terminalOf, type Installation, type Ref, type Wire } from '../installation'
import { isLandedWire, placeOfDevice, type LandedWire } from '../wiring'

/** How a landing as found differs from the plan, conductor by conductor. */
export type Difference =
  /** Two points that the plan joins and nothing joins. `by`: the planned conductor or jumper. */
  | { kind: 'missing'; a: Ref; b: Ref; by: Wire }
  /** A conductor or jumper that joins two points which the plan keeps apart. */
  | { kind: 'extra'; wire: Wire }
  /** An end on another terminal of the same place than planned. */
  | { kind: 'moved'; wire: Wire; end: 'a' | 'b'; from: Ref; to: Ref }
  /** Two conductors with their ends exchanged. */
  | { kind: 'swapped'; one: Wire; other: Wire; at: [Ref, Ref] }

const isLow = (inst: Installation, w: Wire): boolean =>
  [w.a, w.b].every((r) => r === null || terminalOf(inst, r)?.terminal.side !== 'line')
/** Which two places a conductor joins, whatever its colour or number. */
export const joined = (w: { a: Ref; b: Ref }): string => [w.a, w.b].sort().join(' — ')

/**
 * Compares a landing as found with the plan. A conductor of another colour that joins the same terminals is right:
 * colour is a convention, never proof.
 */
export function compare(found: Installation, plan: Installation): Difference[] {
  const own = (inst: Installation) =>
    inst.wires.filter((w): w is LandedWire => isLow(inst, w) && isLandedWire(w))
  const there = own(found)
  const wanted = own(plan)
  const have = new Map(there.map((w) => [joined(w), w]))
  const want = new Map(wanted.map((w) => [joined(w), w]))
  let extra = there.filter((w) => !want.has(joined(w)))
  let missing = wanted.filter((w) => !have.has(joined(w)))
  const out: Difference[] = []

  // Two strays whose ends, exchanged, are two missing ones.
  for (const one of extra)
    for (const other of extra) {
      if (one.id >= other.id) continue
      // Seen from either end; the end is taken where each conductor then is the one that the plan has there.
      const [swap] = (['a', 'b'] as const)
        .flatMap((end) => {
          const flipped = [
            { ...one, [end]: other[end] },
            { ...other, [end]: one[end] },
          ]
          const hit = missing.filter((m) => flipped.some((f) => joined(f) === joined(m)))
          if (hit.length !== 2) return []
          const same = hit.filter((m) => flipped.some((f) => f.id === m.id && joined(f) === joined(m))).length
          return [{ end, hit, same }]
        })
        .sort((x, y) => y.same - x.same)
      if (!swap) continue
      out.push({ kind: 'swapped', one, other, at: [one[swap.end], other[swap.end]] })
      extra = extra.filter((w) => w !== one && w !== other)
      missing = missing.filter((m) => !swap.hit.includes(m))
    }
  // A stray with one end right and the other elsewhere in the same place.
  const where = (ref: Ref) => {
    const { placed } = splitRef(ref)
    return placeOfDevice(placedByRef(plan, placed) ?? placedByRef(found, placed), placed)
  }
  for (const w of [...extra]) {
    const near = missing.find((m) => oneEndOf(w, m, where) !== null)
    const hit = near && oneEndOf(w, near, where)
    if (!near || !hit) continue
    out.push({ kind: 'moved', wire: w, end: hit.end, from: w[hit.end], to: hit.to })
    extra = extra.filter((x) => x !== w)
    missing = missing.filter((m) => m !== near)
  }
  for (const by of missing) out.push({ kind: 'missing', a: by.a, b: by.b, by })
  for (const wire of extra) out.push({ kind: 'extra', wire })
  return out
}

/** The end that would have to move, in its own place, for `w` to be the planned one; null when that is not enough. */
function oneEndOf(
  w: LandedWire,
  m: { a: Ref; b: Ref },
  where: (ref: Ref) => string,
): { end: 'a' | 'b'; to: Ref } | null {
  for (const end of ['a', 'b'] as const) {
    const other = end === 'a' ? 'b' : 'a'
    for (const [near, far] of [
      [m.a, m.b],
      [m.b, m.a],
    ] as const)
      if (w[other] === near && where(w[end]) === where(far)) return { end, to: far }
  }
  return null
}
