import type { Unknowable, Value } from '@/core/equipment'
import type { Placed } from '@/core/installation'
import type { SheetLine } from '@/core/setup'
import { INTENT_WORDS, settingText } from '@/words'

/** Name of a line's tick in the job: another code makes another line. */
export const tickId = (placed: Placed, line: SheetLine): string =>
  `${placed.ref}:${line.id}:${line.kind === 'set' ? line.toCode : ''}`

export const settingOf = (placed: Placed, id: string) => placed.device.settings.find((s) => s.id === id)
/** A setting as a technician calls it. */
export const nameOf = (placed: Placed, id: string): string => {
  const setting = settingOf(placed, id)
  return setting?.intent ? INTENT_WORDS[setting.intent].name : (setting?.label ?? id)
}
export const valueText = (placed: Placed, id: string, value: Unknowable<Value>): string => {
  const setting = settingOf(placed, id)
  return setting ? settingText(setting, value) : String(value)
}
