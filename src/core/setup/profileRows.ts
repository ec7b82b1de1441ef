import { nth } from '../assert'
import {
  profilesOf,
  type Device,
  type Expr,
  type Profile,
  type ProfileItem,
  type Setting,
  type Value,
} from '../equipment'
import type { ProfileRow } from './profileRow'
import type { RowsRead } from './rows'

/**
 * A device with these rows as one of its profiles; settings that no row writes stay as they are.
 * @param way which of its ways of keying, from 0; one more than it has adds one
 */
export function withRows(device: Device, read: RowsRead, frame: Omit<Profile, 'items'>, way = 0): Device {
  const unwritten = device.settings.filter((s) => !read.settings.some((r) => r.id === s.id))
  const settings = [...unwritten, ...read.settings]
  const profile: Profile = { ...frame, items: read.items }
  if (way === 0) return { ...device, settings, profile }
  const others = [...(device.otherProfiles ?? [])]
  others[way - 1] = profile
  return { ...device, settings, otherProfiles: others }
}

/** The frame of one of a device's profiles, or a plain one where it has none. */
export function frameOf(device: Device, way = 0): Omit<Profile, 'items'> {
  const profile = profilesOf(device)[way]
  if (!profile) return { style: 'menu', enter: ['HOLD MENU'], leave: ['DONE'] }
  const { items: _, ...frame } = profile
  return frame
}

/** Rows of one of a device's profiles, as a start for editing. */
export function profileRowsOf(device: Device, way = 0): ProfileRow[] {
  const items = profilesOf(device)[way]?.items ?? []
  const settingNamed = (id: string) => device.settings.find((s) => s.id === id)
  const codeFor = (setting: string, value: Value): string | null => {
    const item = items.find((i) => i.setting === setting && 'map' in i.as)
    return item && 'map' in item.as ? `${item.code}=${item.as.map[String(value)] ?? ''}` : null
  }
  const whenText = (e: Expr | undefined): string => {
    if (!e) return ''
    if ('all' in e) return pairWhen(e.all) ?? e.all.map(whenText).filter(Boolean).join(', ')
    return 'set' in e ? (codeFor(e.set, nth(e.is, 0)) ?? '') : ''
  }
  /** Two settings that one code decides are one condition on that code. */
  const pairWhen = (all: readonly Expr[]): string | null => {
    const is = (id: string) => {
      const found = all.find((e) => 'set' in e && e.set === id)
      return found && 'set' in found ? String(found.is[0]) : null
    }
    for (const { code, setting, as } of items) {
      if (!('pair' in as)) continue
      const hit = as.pair.codes.find((c) => c.value === is(setting) && c.other === is(as.pair.with))
      if (hit && all.length === 2) return `${code}=${hit.code}`
    }
    return null
  }
  return items.map((item) => {
    const s = settingNamed(item.setting)
    const other = 'pair' in item.as ? settingNamed(item.as.pair.with) : undefined
    return {
      code: item.code,
      label: item.label,
      intent: [s?.intent ?? '', ...(other ? [other.intent ?? ''] : [])].join(' + '),
      values: valuesText(item, s, other),
      address: item.address ?? '',
      when: whenText(item.when),
      note: noteText(item, s),
    }
  })
}

/** A value as a manual would print it: an option's name, or a number with its unit. */
const meaning = (s: Setting | undefined, value: string): string =>
  s?.kind === 'number'
    ? `${value}${s.unit ? ` ${s.unit}` : ''}`
    : (s?.options?.find((o) => o.id === value)?.label ?? value)

function valuesText({ as }: ProfileItem, s: Setting | undefined, other: Setting | undefined): string {
  if ('map' in as)
    return Object.entries(as.map)
      .sort((a, b) => Number(a[1]) - Number(b[1]))
      .map(([v, c]) => `${c}=${meaning(s, v)}`)
      .join(', ')
  if ('pair' in as)
    return as.pair.codes
      .map((c) => `${c.code}=${meaning(s, c.value)} / ${meaning(other, c.other)}`)
      .join(', ')
  const [low, high] = s?.range ?? [0, 0]
  const { plus, times, decimals = 0 } = as.number
  const step = s?.step && s.step !== 1 ? `/${s.step}` : ''
  const isPlain = plus === 0 && times === 1
  const range = `${isPlain && decimals ? low.toFixed(decimals) : low}..${high}${step}${s?.unit ? ` ${s.unit}` : ''}`
  if (isPlain) return range
  const shown = (v: number) => (v * times + plus).toFixed(decimals)
  return `${range} as ${shown(low)}..${shown(high)}`
}

function noteText({ as, leaveAlone, readBack }: ProfileItem, s: Setting | undefined): string {
  const codeOfValue = (value: Value) => ('map' in as ? as.map[String(value)] : String(value))
  const defaults = (s?.defaultFor ?? []).flatMap((d) => {
    if (!('model' in d)) return []
    const code = 'pair' in as ? undefined : codeOfValue(d.value)
    return code === undefined ? [] : [`default ${code} for ${d.model}`]
  })
  return [
    ...(leaveAlone ? ['leave alone'] : []),
    ...(readBack ? [`reads back ${readBack}`] : []),
    ...defaults,
  ].join('; ')
}
