import {
  evaluate,
  settingsOfItem,
  type Unknowable,
  type Profile,
  type ProfileItem,
  type Value,
} from '../equipment'
import type { Placed } from '../installation'
import { settingDef, settingsContext, settingValue } from '../installation'
import { codeOf } from './codec'
import { closing, opening, stepsFor, type LineKind, type Step } from './steps'

interface Line {
  /** Stays the same while the profile does, so that interrupted work finds its line again. */
  id: string
  steps: Step[]
  /** Note the value found before ticking this line: it cannot be undone. */
  noteFirst: boolean
}
/** A line that sets something. */
export interface SetLine extends Line {
  kind: 'set'
  item: ProfileItem
  /** As found on the device; null: not known yet. */
  from: Unknowable<Value>
  to: Value
  /** Other settings that the same code changes. */
  also: { setting: string; from: Unknowable<Value>; to: Unknowable<Value> } | null
  toCode: string
}
/** A line on the way in or out. */
interface WayLine extends Line {
  kind: Exclude<LineKind, 'set' | 'leaveAlone'>
  item?: undefined
}
/** Something that the device shows and that is left as it stands. */
interface LeaveLine extends Line {
  kind: 'leaveAlone'
  item: ProfileItem
}
/** A line of a key-in sheet: what to key in, and how the device confirms it. */
export type SheetLine = SetLine | LeaveLine | WayLine

export interface Sheet {
  ref: string
  profile: Profile
  /** Model suffixes and revisions that the profile fits. */
  fits: string[]
  lines: SheetLine[]
  /** Lines that set something. */
  changes: number
  /** Wanted values that the device has no code for. */
  cannot: { setting: string; value: Value }[]
}

/** Whether an item is shown by the device while its settings stand so; what is not known yet counts as shown. */
export function isShown(item: ProfileItem, value: (setting: string) => Unknowable<Value>): boolean {
  return !item.when || evaluate(item.when, settingsContext(value)) !== 'no'
}

/**
 * The key-in sheet of a device, in its own order: from what was found on it to the settings that it is to be left with.
 * @param found values read off the device; a setting that is left out has not been looked at
 * @param all every item that the device shows, and not only what must change
 * @param profile which of its ways of keying
 */
export function keyInSheet(
  placed: Placed,
  found: Readonly<Record<string, Unknowable<Value>>>,
  all = false,
  profile = placed.device.profile,
): Sheet | null {
  const { device } = placed
  if (!profile) return null
  const wanted = (id: string): Unknowable<Value> => settingValue(placed, id)
  const sheet: Sheet = { ref: placed.ref, profile, fits: device.fits, lines: [], changes: 0, cannot: [] }
  const was = (id: string): Unknowable<Value> => found[id] ?? null
  const sets: (SetLine | LeaveLine)[] = []
  for (const item of profile.items) {
    const to = wanted(item.setting)
    const id = `${item.address ?? ''}/${item.code}`
    // An item that the earlier answers hide is not there to be keyed.
    if (!isShown(item, wanted)) continue
    if (item.leaveAlone) {
      if (all) sets.push({ id, kind: 'leaveAlone', item, steps: [], noteFirst: false })
      continue
    }
    if (settingsOfItem(item).some((s) => wanted(s) === null) || to === null) continue
    const from = was(item.setting)
    const toCode = codeOf(item, wanted)
    if (toCode === null) {
      if (!sheet.cannot.some((c) => c.setting === item.setting))
        sheet.cannot.push({ setting: item.setting, value: to })
      continue
    }
    if (!all && codeOf(item, was) === toCode) continue
    sets.push({
      id,
      kind: 'set',
      item,
      from,
      to,
      also:
        'pair' in item.as
          ? { setting: item.as.pair.with, from: was(item.as.pair.with), to: wanted(item.as.pair.with) }
          : null,
      toCode,
      steps: stepsFor(profile, item, toCode, bounds(placed, item)),
      noteFirst: profile.noUndo ?? false,
    })
  }
  sheet.changes = sets.filter((l) => l.kind === 'set').length
  if (!sets.length) return sheet
  const plain = (line: { id: WayLine['kind']; steps: Step[] }): WayLine => ({
    ...line,
    kind: line.id,
    noteFirst: false,
  })
  sheet.lines = [...opening(profile).map(plain), ...sets, ...closing(profile).map(plain)]
  return sheet
}

/** The lowest code of a number item: some devices only stop there, and a person counts from there. */
function bounds(placed: Placed, item: ProfileItem): string | null {
  const low = settingDef(placed, item.setting)?.range?.[0]
  return 'number' in item.as && low !== undefined ? codeOf(item, () => low) : null
}
