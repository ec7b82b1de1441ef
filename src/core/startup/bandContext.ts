import type { Circuit, Solved } from '../circuit'
import { plateOf } from '../crossing'
import type { Plate } from '../equipment'
import { placedByRef, splitRef, type JobSeen, type Placed } from '../installation'
import { having } from '../query'
import { conditionsOf } from '../situation'
import { inTheWay } from './likely'
import type { Reading } from './reading'
import type { BandBasis, Cause, SimpleCause } from './verdict'

export type Range = readonly [number | null, number | null]
/** Expected range of a reading, with likely causes. */
export interface Banded {
  right: Range
  /** Range that asks for another check; without it a value out of range is wrong. */
  watch?: Range
  nominal?: number
  basis: BandBasis
  from?: Record<string, number>
  /** Value to compare with the range where it is not the reading itself: a difference. */
  value?: number
  unit?: string
  /** Said with a right one. */
  note?: readonly Cause[]
  low: readonly Cause[]
  high: readonly Cause[]
}
export interface Context {
  circuit: Circuit
  seen: JobSeen
  solved: Solved
  all: readonly Reading[]
  r: Reading
  v: number
}
export type BandRule = (c: Context) => Banded | null

export const cause = (...kinds: (SimpleCause | 'shouldBeOff' | 'utility')[]): Cause[] =>
  kinds.map((kind) => ({ kind }) as Cause)

export const placedAt = ({ seen, r }: Context): Placed | undefined =>
  placedByRef(seen.inst, splitRef(r.at).placed)
/** The plate of what the reading was taken on, as it was read on site. */
export const plateAt = (c: Context): Plate => {
  const placed = placedAt(c)
  return placed ? plateOf(c.seen, placed) : {}
}
export const furnacePlate = (c: Context): Plate => {
  const own = plateAt(c)
  if (own.inputBtuh !== undefined) return own
  const [furnace] = having(c.seen.inst, 'burns')
  return furnace ? plateOf(c.seen, furnace) : own
}
export const unitPlate = (c: Context): Plate => {
  const [unit] = having(c.seen.inst, 'compresses')
  return unit ? plateOf(c.seen, unit) : {}
}
export const runs = ({ solved, r }: Context, what: string): boolean =>
  solved.ok &&
  solved.running.some((l) => l.part.does?.what === what && (what !== 'blower' || sameDevice(l.ref, r.at)))
const sameDevice = (a: string, b: string): boolean => splitRef(a).placed === splitRef(b).placed
export const about = (nominal: number, by: number): Range => [nominal - by, nominal + by]

/** The plate's figure, plus and minus; nothing where the plate says none. */
export const plateBand = (nominal: number | undefined, by: number, more: { low: Cause[]; high: Cause[] }, times = 1): Banded | null =>
  nominal === undefined
    ? null
    : { right: about(nominal, by), ...(times > 1 ? { watch: about(nominal, times * by) } : {}), nominal, basis: 'plate', ...more } // prettier-ignore

/** A burner that is lit, at full fire: a plate's figures are those of full fire. */
export function isLit(c: Context, full = false): boolean {
  if (!c.solved.ok) return false
  const burners = c.circuit.net.loads.filter((l) => l.part.does?.what === 'burner')
  const on = burners.filter((l) => c.solved.ok && c.solved.energised(l.ref))
  return full ? burners.length > 0 && on.length === burners.length : on.length > 0
}
/** Whether any blower of the job moves air. */
export const movesAir = ({ solved }: Context): boolean =>
  solved.ok && solved.running.some((l) => l.part.does?.what === 'blower')
/** In a defrost lines and air are for a while the other way round. */
export const isDefrost = ({ seen, r }: Context): boolean =>
  conditionsOf(seen.inst, r.situation).has('defrost')
/**
 * Parts that may be open on the way to a load that should run and does not: the load that was read, else the first of
 * its kind.
 */
export function wayTo(c: Context, what: string): Cause[] {
  if (!c.solved.ok) return []
  const load =
    c.solved.running.find((l) => l.ref === c.r.at) ?? c.solved.running.find((l) => l.part.does?.what === what)
  return load ? inTheWay(c.solved, load.ref, c.r, c.all) : []
}
