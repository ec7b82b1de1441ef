import { nth, mustGet } from '../assert'
import { wireOhms, type Ohms } from '../units'

/**
 * Finding out which conductor is which in an unmarked cable, in two trips for any number of them.
 *
 * Here, conductors are twisted together in groups; at the far end each is ohmed, which tells the size of the group that
 * it is in. There they are twisted in other groups, chosen so that no two conductors have the same pair of sizes; back
 * here, with the first groups undone, each is ohmed again. Its own two sizes name it (two partitions, as in
 * the cable identification puzzle).
 */
export const MOST_CONDUCTORS = 12
/** Largest group that is twisted together: more will not go under one wire nut with bare ends to meter. */
const MOST_TOGETHER = 4

/** A conductor's group size here and there. */
interface Cell {
  near: number
  far: number
}

/**
 * The pairs of sizes to use: all different; as many with each near size as fill whole groups of it, and the same for
 * each far size. Of all such sets, the one with the fewest conductors in large groups. Null: there is none.
 */
function cellsFor(n: number): Cell[] | null {
  const all: Cell[] = []
  for (let near = 1; near <= MOST_TOGETHER; near++)
    for (let far = 1; far <= MOST_TOGETHER; far++) all.push({ near, far })
  let best: Cell[] | null = null
  let least = Infinity
  for (let bits = 0; bits < 1 << all.length; bits++) {
    if (ones(bits) !== n) continue
    const chosen = all.filter((_, i) => bits & (1 << i))
    if (!wholeGroups(chosen, 'near') || !wholeGroups(chosen, 'far')) continue
    const effort = chosen.reduce((sum, c) => sum + c.near + c.far, 0)
    if (effort < least) {
      least = effort
      best = chosen
    }
  }
  return best
}
const known = new Map<number, Cell[] | null>()
function cells(n: number): Cell[] | null {
  let found = known.get(n)
  if (found === undefined) known.set(n, (found = cellsFor(n)))
  return found
}

function ones(bits: number): number {
  let n = 0
  for (let b = bits; b; b &= b - 1) n++
  return n
}
const wholeGroups = (list: Cell[], side: keyof Cell): boolean =>
  [1, 2, 3, 4].every((size) => list.filter((c) => c[side] === size).length % size === 0)

/** Splits a list into groups of a size. */
const grouped = <T>(list: readonly T[], size: number): T[][] =>
  Array.from({ length: list.length / size }, (_, i) => list.slice(i * size, (i + 1) * size))

/** Cabinet metal: the same at both ends. It stands in for a conductor where the number alone gives no way (2, 5, 9). */
export const METAL = 'cabinet metal'
export type Metal = typeof METAL

interface Way {
  cells: Cell[]
  /** The first cell is the metal's. */
  metal: boolean
}
function wayFor(n: number): Way | null {
  if (n < 1 || n > MOST_CONDUCTORS) return null
  const alone = cells(n)
  if (alone) return { cells: alone, metal: false }
  const helped = cells(n + 1)
  return helped && { cells: helped, metal: true }
}

const SIZES = [1, 2, 3, 4]

/**
 * The groups to twist together here; one alone is left alone. Null: no way for this number of conductors.
 * @param conductors 1 to MOST_CONDUCTORS names of the conductors at this end
 */
export function nearGroups<T>(conductors: readonly T[]): (T | Metal)[][] | null {
  const way = wayFor(conductors.length)
  if (!way) return null
  const names: (T | Metal)[] = way.metal ? [METAL, ...conductors] : [...conductors]
  return SIZES.flatMap((size) =>
    grouped(
      names.filter((_, i) => nth(way.cells, i).near === size),
      size,
    ),
  )
}

/** Sizes that cannot be: how many conductors should be in groups of `size`, and how many read so. */
export interface Misread {
  ok: false
  size: number
  expected: number
  read: number
}
interface FarSize<F> {
  far: F
  size: number
}

/** The first size whose count is not what the plan says; null when all fit. */
function misread(way: Way, side: keyof Cell, sizes: readonly number[]): Misread | null {
  const own = way.metal ? way.cells.slice(1) : way.cells
  for (const size of SIZES) {
    const expected = own.filter((c) => c[side] === size).length
    const read = sizes.filter((s) => s === size).length
    if (expected !== read) return { ok: false, size, expected, read }
  }
  return null
}

/** Gives each far conductor a cell with the near size that it read. */
function farCells<F>(way: Way, sizes: readonly FarSize<F>[]): Map<F | Metal, Cell> {
  const left = [...way.cells]
  const cellOf = new Map<F | Metal, Cell>()
  if (way.metal) cellOf.set(METAL, nth(left.splice(0, 1), 0))
  for (const s of sizes) {
    const at = left.findIndex((c) => c.near === s.size)
    cellOf.set(s.far, nth(left.splice(at, 1), 0))
  }
  return cellOf
}

/**
 * The groups to twist together at the far end, from what each conductor there read.
 * @param sizes for each far conductor how many read through together, itself and cabinet metal included (1: to none)
 */
export function farGroups<F>(sizes: readonly FarSize<F>[]): { ok: true; groups: (F | Metal)[][] } | Misread {
  const way = wayFor(sizes.length)
  if (!way) return { ok: false, size: 0, expected: 0, read: sizes.length }
  const wrong = misread(
    way,
    'near',
    sizes.map((s) => s.size),
  )
  if (wrong) return wrong
  const cellOf = farCells(way, sizes)
  const names = [...cellOf.keys()]
  return {
    ok: true,
    groups: SIZES.flatMap((size) =>
      grouped(
        names.filter((f) => mustGet(cellOf, f).far === size),
        size,
      ),
    ),
  }
}

export interface Found<T, F> {
  near: T
  far: F
}

/**
 * Which conductor is which.
 * @param near for each conductor here, in the order given to `nearGroups`, the size it read with the far groups twisted
 * @param far what was given to `farGroups`
 */
export function identify<T, F>(
  near: readonly { near: T; size: number }[],
  far: readonly FarSize<F>[],
): { ok: true; pairs: Found<T, F>[] } | Misread {
  const way = wayFor(near.length)
  if (!way) return { ok: false, size: 0, expected: 0, read: near.length }
  const wrong = misread(
    way,
    'far',
    near.map((n) => n.size),
  )
  if (wrong) return wrong
  const cellOf = farCells(way, far)
  const own = way.metal ? way.cells.slice(1) : way.cells
  const pairs: Found<T, F>[] = []
  for (const [i, n] of near.entries()) {
    const match = far.find((f) => {
      const c = mustGet(cellOf, f.far)
      return c.near === nth(own, i).near && c.far === n.size
    })
    // The right counts of every size, yet not where they can be: two readings were taken at the wrong conductor.
    if (!match) return { ok: false, size: n.size, expected: 0, read: 1 }
    pairs.push({ near: n.near, far: match.far })
  }
  return { ok: true, pairs }
}

/**
 * Feet of a cable from the ohms of two of its conductors shorted at the far end: half the loop.
 * @param loopOhms Ω, the leads' own ohms taken off
 * @param gauge AWG
 */
export const cableFeet = (loopOhms: Ohms, gauge: number): number => loopOhms / 2 / wireOhms(gauge, 1)
