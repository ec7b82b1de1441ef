import {
  settingsOfItem,
  type Device,
  type ProfileItem,
  type Setting,
  type Unknowable,
  type Value,
} from '../equipment'

/**
 * The code that an item takes for the values of what it writes; null where it has none for them, or one is not known.
 * @param read the value of a setting of the device
 */
export function codeOf(item: ProfileItem, read: (setting: string) => Unknowable<Value>): string | null {
  const { as } = item
  const value = read(item.setting)
  if (value === null) return null
  if ('map' in as) return as.map[String(value)] ?? null
  if ('pair' in as) {
    const other = read(as.pair.with)
    return as.pair.codes.find((c) => c.value === String(value) && c.other === String(other))?.code ?? null
  }
  if (typeof value !== 'number') return null
  const { plus, times, decimals = 0 } = as.number
  const moved = value * times + plus
  return decimals ? moved.toFixed(decimals) : String(Math.round(moved))
}

/** The items of one way of keying that a setting is keyed in through; none: it is not keyed so. */
export const itemsFor = (device: Device, setting: string, profile = device.profile): ProfileItem[] =>
  (profile?.items ?? []).filter((i) => settingsOfItem(i).includes(setting) && !i.leaveAlone)

/** The values of a setting that one item has codes for; null: any in its range. */
function valuesOf({ setting, as }: ProfileItem, id: string): Set<string> | null {
  if ('map' in as) return new Set(Object.keys(as.map))
  if ('pair' in as) return new Set(as.pair.codes.map((c) => (setting === id ? c.value : c.other)))
  return null
}

/** Whether a device can be brought to this value by its keys. */
const canKey = (device: Device, setting: Setting, value: Value): boolean =>
  itemsFor(device, setting.id).every((i) => valuesOf(i, setting.id)?.has(String(value)) ?? true)

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
  const coded = item && valuesOf(item, setting.id)
  if (coded)
    return {
      kind: 'options',
      values: [...coded]
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
