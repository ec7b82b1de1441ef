import type { Name, SettingChange } from '../installation'
import { memoryState, modesKey, type Situation } from '../situation'
import type { ReadingKind, ReadingPlace } from '../readings'

/** A reading. It never changes: a correction is another reading that supersedes it. */
export interface Reading {
  id: string
  kind: ReadingKind
  /** In the kind's unit; "OL" where an ohmmeter shows an open circuit. */
  value: number | 'OL'
  place: ReadingPlace
  at: Name
  /** Whether the clamp also takes in the blower; null: not known. Amps only. */
  withBlower: boolean | null
  /** The cabinet stood open meanwhile; left out: its panels were on, or nobody said. */
  panelsOff?: boolean
  instrument: string
  situation: Situation
  /** Settings that were changed temporarily while it was taken; it is judged with them. */
  moved?: readonly SettingChange[]
  who: string
  /** ISO 8601 time, by the server's clock where the device's was wrong. */
  when: string
  /** Time by the device's clock, where that clock was wrong. */
  deviceWhen?: string
  supersedes: string | null
  note?: string
}

/** The readings that stand: those that no other supersedes. */
export function currentReadings(readings: readonly Reading[]): Reading[] {
  const gone = new Set(readings.flatMap((r) => (r.supersedes ? [r.supersedes] : [])))
  return readings.filter((r) => !gone.has(r.id))
}

/** The readings that one superseded, newest first. */
export function supersededBy(r: Reading, all: readonly Reading[]): Reading[] {
  const found: Reading[] = []
  for (let id = r.supersedes; id;) {
    const before = all.find((x) => x.id === id)
    if (!before || found.includes(before)) break
    found.push(before)
    id = before.supersedes
  }
  return found
}

/** Operating state of a reading or a card. */
type State = Pick<Reading, 'situation' | 'moved'>

/**
 * The same call, modes and moved settings. The outdoor temperature is left out: a reading of another day is of the same
 * thing; so are the differentials' memories, which come and go with it.
 */
export const sameState = (a: State, b: State): boolean =>
  a.situation.call === b.situation.call &&
  told(a.situation.modes) === told(b.situation.modes) &&
  JSON.stringify(a.moved ?? []) === JSON.stringify(b.moved ?? [])

const told = (modes: Situation['modes']): string =>
  modesKey(Object.fromEntries(Object.entries(modes).filter(([, state]) => memoryState(state) === null)))

/** Hours within which two readings belong to one visit: an air temperature of another day says nothing of today's. */
const VISIT_H = 24
const HOUR_MS = 3_600_000

/** Whether two readings were taken on one visit. */
export const onSameVisit = (a: Pick<Reading, 'when'>, b: Pick<Reading, 'when'>): boolean =>
  Math.abs(Date.parse(a.when) - Date.parse(b.when)) <= VISIT_H * HOUR_MS

/** The current readings of some kinds in a reading's own state, from its own visit; the reading itself is left out. */
export const readBeside = (r: Reading, all: readonly Reading[], ...kinds: ReadingKind[]): Reading[] =>
  currentReadings(all).filter(
    (x) => kinds.includes(x.kind) && x.id !== r.id && sameState(x, r) && onSameVisit(x, r),
  )
