import type { Device, Unknowable, ProfileItem, Setting, Value } from '../equipment'

/** The code that an item takes for a value of its setting; null where it has none for it. */
export function codeOf(item: ProfileItem, value: Unknowable<Value>): string | null {
  if (value === null) return null
  if ('map' in item.as) return item.as.map[String(value)] ?? null
  return typeof value === 'number'
    ? String(Math.round(value * item.as.number.times + item.as.number.plus))
    : null
}

/** The items of a device that a setting is keyed in through; none: it is not keyed on this device. */
export const itemsFor = (device: Device, setting: string): ProfileItem[] =>
  (device.profile?.items ?? []).filter((i) => i.setting === setting)

/** Whether a device can be brought to this value by its keys. */
const canKey = (device: Device, setting: Setting, value: Value): boolean =>
  itemsFor(device, setting.id).every((i) => codeOf(i, value) !== null)

/** The values that a setting takes on the device: its options, or the ends and the step of its range. */
export type Allowed =
  | { kind: 'options'; values: { value: Value; label: string }[] }
  | { kind: 'range'; low: number; high: number; step: number; unit: string }

export function allowedOf(device: Device, setting: Setting): Allowed {
  if (setting.kind === 'choice')
    return {
      kind: 'options',
      values: (setting.options ?? [])
        .filter((o) => canKey(device, setting, o.id))
        .map((o) => ({ value: o.id, label: o.label })),
    }
  const [item] = itemsFor(device, setting.id)
  const unit = setting.unit ?? ''
  if (item && 'map' in item.as)
    return {
      kind: 'options',
      values: Object.keys(item.as.map)
        .map(Number)
        .sort((a, b) => a - b)
        .map((value) => ({ value, label: `${value}${unit ? ` ${unit}` : ''}` })),
    }
  const [low, high] = setting.range ?? [-Infinity, Infinity]
  return { kind: 'range', low, high, step: setting.step ?? 1, unit }
}

/** Whether a value is one that the device takes. */
export function isAllowed(allowed: Allowed, value: Value): boolean {
  if (allowed.kind === 'options') return allowed.values.some((v) => v.value === value)
  if (typeof value !== 'number' || value < allowed.low || value > allowed.high) return false
  const steps = (value - allowed.low) / allowed.step
  return Math.abs(steps - Math.round(steps)) < 1e-9
}
