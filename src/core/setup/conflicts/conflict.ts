import type { Intent, Unknowable, Value } from '../../equipment'
import type { Installation, JobSeen, Ref } from '../../installation'
import { settingsWith, type Found } from '../../laws'

/** What conflicts are looked for in: gear, wiring and settings, what the owner said, and how far the work is. */
export type SetupSeen = JobSeen

/** A contradiction, as data: where it stands, and the numbers that the words need. */
export interface Conflicting {
  conflict: string
  what: string
  /** Settings, terminals or devices that it hangs on, the one to look at first. */
  at: Ref[]
  numbers: number[]
}

/** One kind of contradiction. */
export interface Conflict {
  id: string
  find(seen: SetupSeen): Omit<Conflicting, 'conflict'>[]
}

/** The settings with an intent that stand at one of these values. */
export const standing = (inst: Installation, intent: Intent, ...values: Value[]): Found[] =>
  settingsWith(inst, intent).filter((f) => f.value !== null && values.includes(f.value))

export const first = (inst: Installation, intent: Intent): Found | undefined => settingsWith(inst, intent)[0]

export const numberOf = (value: Unknowable<Value> | undefined): number | null =>
  typeof value === 'number' ? value : null

/** A contradiction of one kind at some places. */
export const at = (
  what: string,
  refs: (Ref | undefined)[],
  ...numbers: number[]
): Omit<Conflicting, 'conflict'>[] => [{ what, at: refs.filter((r): r is Ref => r !== undefined), numbers }]
