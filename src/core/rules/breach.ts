import type { Intent, Unknowable, Value } from '../equipment'
import type { Installation, Name } from '../installation'
import { settingsWith, type SettingAt } from '../query'
import type { Breach } from './rule'

/** A breach of a rule about settings: the places that it depends on, the one to look at first; none without a place. */
export function breach<C extends string>(
  code: C,
  refs: readonly (Name | undefined)[],
  ...numbers: number[]
): Breach<C>[] {
  const [at, ...also] = refs.filter((r) => r !== undefined)
  return at === undefined ? [] : [{ code, at, also, numbers }]
}

/** The settings with an intent that stand at one of these values. */
export const settingsSetTo = (inst: Installation, intent: Intent, ...values: Value[]): SettingAt[] =>
  settingsWith(inst, intent).filter((f) => f.value !== null && values.includes(f.value))

/** Settings of one placed device with this intent. */
export const ownSettings = (placed: SettingAt['placed'], intent: Intent): SettingAt[] =>
  settingsWith({ placed: [placed], cables: [], wires: [] }, intent)

export const numberOf = (value: Unknowable<Value> | undefined): number | null =>
  typeof value === 'number' ? value : null

/** Whether the job has a setting with one of these intents. */
export const hasIntent =
  (...intents: Intent[]) =>
  (inst: Installation): boolean =>
    intents.some((i) => settingsWith(inst, i).length > 0)
