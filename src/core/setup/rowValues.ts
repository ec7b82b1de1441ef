import { nth } from '../assert'
import {
  isUnit,
  meaningsOf,
  profilesOf,
  unitOf,
  type Device,
  type Intent,
  type ProfileItem,
  type Setting,
  type Value,
} from '../equipment'
import { meaningFor } from './manualWords'
import type { ProfileRow } from './profileRow'

/** Meaning of each code of an item: a value of one setting, or of two. */
export type Codes = ReadonlyMap<string, { set: string; value: Value }[]>

/** A text as a name of letters, digits and dashes. */
export const slug = (s: string): string =>
  s
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40) || 'v'

/** A row's values: one setting or two, how their values are coded, and the meaning of each code. */
export interface Values {
  settings: Setting[]
  as: ProfileItem['as']
  codes: Codes
}

/** The setting without an intent that an item of the same code writes already: the wiring may read it. */
function nameless(device: Device, row: ProfileRow): Setting | undefined {
  const address = row.address.trim().toLowerCase()
  const item = profilesOf(device)
    .flatMap((p) => p.items)
    .find((i) => i.code === row.code.trim() && (i.address ?? '') === address && !('pair' in i.as))
  return device.settings.find((s) => s.id === item?.setting && !s.intent)
}

/** A setting of the device that an intent or the code names, or a fresh one. */
function settingFor(device: Device, row: ProfileRow, intent: string, id: string): Omit<Setting, 'default'> {
  const own = intent ? device.settings.find((s) => s.intent === intent) : nameless(device, row)
  if (own) return own
  const label = row.label.trim()
  return { id, group: 'set', label, kind: 'choice', ...(intent ? { intent: intent as Intent } : {}) }
}

/** Expected content of a cell that cannot be read; null where any values would do. */
export interface Unread {
  expected: string | null
}
const UNREAD: Unread = { expected: null }
export const isUnread = (read: object): read is Unread => 'expected' in read

/** Reads the values cell of a row, by what its intent knows. */
export function readValues(
  device: Device,
  row: ProfileRow,
  intents: readonly string[],
  id: string,
): Values | Unread {
  const [first = '', second] = intents
  const one = settingFor(device, row, first, id)
  const own = device.settings.find((s) => s.id === one.id)
  if (second !== undefined)
    return readPair(row.values, [one, settingFor(device, row, second, `${id}-2`)], device)
  const range = readRange(row.values)
  if (range) {
    const { low, high } = range
    const unit = unitOf(one.intent)
    if (meaningsOf(one.intent)) return saying(one.intent)
    if (unit && range.unit && !isUnit(unit, range.unit)) return { expected: `figures in ${unit}` }
    const written = range.unit || unit
    const start =
      typeof own?.default === 'number' && own.default >= low && own.default <= high ? own.default : low
    const setting: Setting = {
      ...one,
      kind: 'number',
      range: [low, high],
      step: range.step,
      ...(written ? { unit: written } : {}),
      default: start,
    }
    return { settings: [setting], as: range.as, codes: new Map() }
  }
  const pairs = codesIn(row.values)
  if (!pairs) return UNREAD
  const read = settingOf(
    one,
    own,
    pairs.map((p) => p.label),
  )
  if (isUnread(read)) return read
  const { setting, values } = read
  return {
    settings: [setting],
    as: { map: Object.fromEntries(pairs.map((p, i) => [String(nth(values, i)), p.code])) },
    codes: new Map(pairs.map((p, i) => [p.code, [{ set: setting.id, value: nth(values, i) }]])),
  }
}

interface Range {
  low: number
  high: number
  step: number
  unit: string
  as: ProfileItem['as']
}
const NUMBER = String.raw`-?\d+(?:\.\d+)?`
const RANGE = new RegExp(
  String.raw`^(${NUMBER})\s*\.\.\s*(${NUMBER})(?:\s*\/\s*(\d+(?:\.\d+)?))?(?:\s+([^=]{1,12}))?$`,
)
const SPAN = new RegExp(String.raw`^(${NUMBER})\s*\.\.\s*(${NUMBER})$`)
const decimalsOf = (text: string | undefined): number => text?.split('.')[1]?.length ?? 0

/** "0..120/10 min", shown by the device as it is, or "0.5..3/0.5 °F as 1..6", by other numbers; null: no such thing. */
function readRange(text: string): Range | null {
  const [range = '', span] = text.trim().split(/\s+as\s+/)
  const found = RANGE.exec(range)
  if (!found) return null
  const [low, high, step] = [Number(found[1]), Number(found[2]), Number(found[3] ?? 1)]
  if (low >= high || step <= 0) return null
  const unit = (found[4] ?? '').trim()
  if (span === undefined) {
    const decimals = Math.min(3, Math.max(decimalsOf(found[1]), decimalsOf(found[3])))
    return { low, high, step, unit, as: { number: { plus: 0, times: 1, ...(decimals ? { decimals } : {}) } } }
  }
  const shown = SPAN.exec(span)
  if (!shown) return null
  const [first, last] = [Number(shown[1]), Number(shown[2])]
  if (first === last) return null
  // To nine places: a tenth is a tenth, and no sum of halves.
  const round = (n: number) => Math.round(n * 1e9) / 1e9
  const times = round((last - first) / (high - low))
  const decimals = Math.min(3, Math.max(decimalsOf(shown[1]), decimalsOf(shown[2])))
  const number = { plus: round(first - low * times), times, ...(decimals ? { decimals } : {}) }
  return { low, high, step, unit, as: { number } }
}

/** "1=Cooling, 2=Heating" as codes with their meanings; null where some part is no such thing. */
function codesIn(text: string): { code: string; label: string }[] | null {
  // A comma inside a meaning does not part two of them: only one with a code behind it does.
  const parts = text.split(/[,;](?=\s*[A-Za-z0-9.-]{1,12}\s*=)/)
  const pairs = parts.flatMap((p) => {
    const [, code, label] = /^\s*([A-Za-z0-9.-]{1,12})\s*=\s*(.+?)\s*$/.exec(p) ?? []
    return code && label ? [{ code, label }] : []
  })
  return text.trim() && pairs.length === parts.length ? pairs : null
}

/** A meaning that is a number, with the unit behind it: "30 min", "5 °F", "60". */
function numberIn(label: string): { value: number; unit: string } | null {
  const found = /^(-?\d+(?:\.\d+)?)\s*([^\d\s][^\d]{0,11})?$/.exec(label.trim())
  return found ? { value: Number(found[1]), unit: (found[2] ?? '').trim() } : null
}

/**
 * The setting that these meanings belong to, with the value of each. Meanings that are all numbers of one unit are
 * numbers, whatever the codes are: positions of switches may stand for minutes, and what reads minutes must find them.
 */
function settingOf(
  one: Omit<Setting, 'default'>,
  own: Setting | undefined,
  labels: readonly string[],
): { setting: Setting; values: Value[] } | Unread {
  const counted = unitOf(one.intent)
  // A time of "off" is zero.
  const isTime = counted === 'min' || counted === 's' || counted === 'months'
  const numbers = labels.map((l) => (isTime && NONE.test(l) ? { value: 0, unit: '' } : numberIn(l)))
  const units = [...new Set(numbers.flatMap((n) => (n?.unit ? [n.unit] : [])))]
  if (counted && !(numbers.every((n) => n !== null) && units.every((u) => isUnit(counted, u))))
    return { expected: `figures in ${counted}${isTime ? ', or off' : ''}` }
  const [head] = numbers
  const isNumber =
    counted !== null ||
    (head && numbers.every((n) => n?.unit === head.unit) && (own ? own.kind === 'number' : head.unit !== ''))
  if (isNumber) {
    const values = numbers.flatMap((n) => (n ? [n.value] : []))
    if (new Set(values).size < values.length) return UNREAD
    const { options: _, ...rest } = one
    const start = typeof own?.default === 'number' && values.includes(own.default) ? own.default : values[0]
    const unit = units[0] ?? counted ?? own?.unit
    return {
      setting: {
        ...rest,
        kind: 'number',
        range: [Math.min(...values), Math.max(...values)],
        ...(unit ? { unit } : {}),
        default: start ?? 0,
      },
      values,
    }
  }
  const options = labels.map((label) => {
    const same = own?.options?.find((o) =>
      [o.id, o.label].some((x) => x.toLowerCase() === label.toLowerCase()),
    )
    if (same || !one.intent || !meaningsOf(one.intent)) return same ?? { id: slug(label), label }
    const meaning = meaningFor(one.intent, label)
    return meaning === null ? null : { ...own?.options?.find((o) => o.id === meaning), id: meaning, label }
  })
  if (!isWhole(options)) return saying(one.intent)
  if (new Set(options.map((o) => o.id)).size < options.length) return UNREAD
  const start = options.find((o) => o.id === own?.default) ?? nth(options, 0)
  const { range: _, step: __, ...rest } = one
  return {
    setting: { ...rest, kind: 'choice', options, default: start.id },
    values: options.map((o) => o.id),
  }
}

const NONE = /^(off|none|never|no|disabled)$/i
const isWhole = <T>(list: (T | null)[]): list is T[] => !list.includes(null)
/** Expected meanings of an intent, for a manual that uses other words. */
const saying = (intent: Intent | undefined): Unread => ({
  expected: `meanings among ${(meaningsOf(intent) ?? []).join(', ')}, each named so`,
})

/** "1=Heat pump / One, 2=Heat pump / Two": one code for a value of each of two settings. */
function readPair(
  text: string,
  [one, two]: readonly [Omit<Setting, 'default'>, Omit<Setting, 'default'>],
  device: Device,
): Values | Unread {
  const pairs = codesIn(text)
  const halves = pairs?.map((p) => p.label.split(/\s+\/\s+/))
  if (!pairs || halves?.some((h) => h.length !== 2)) return UNREAD
  const side = (of: Omit<Setting, 'default'>, n: 0 | 1) => {
    const labels = (halves ?? []).map((h) => nth(h, n))
    const distinct = [...new Set(labels)]
    const read = settingOf(
      of,
      device.settings.find((s) => s.id === of.id),
      distinct,
    )
    if (isUnread(read)) return read
    return {
      setting: read.setting,
      value: (i: number) => nth(read.values, distinct.indexOf(nth(labels, i))),
    }
  }
  const [a, b] = [side(one, 0), side(two, 1)]
  if (isUnread(a)) return a
  if (isUnread(b)) return b
  const codes = pairs.map((p, i) => ({ value: String(a.value(i)), other: String(b.value(i)), code: p.code }))
  const said = new Set(codes.map((c) => `${c.value} ${c.other}`))
  if (said.size < codes.length) return UNREAD
  return {
    settings: [a.setting, b.setting],
    as: { pair: { with: b.setting.id, codes } },
    codes: new Map(
      pairs.map((p, i) => [
        p.code,
        [
          { set: a.setting.id, value: a.value(i) },
          { set: b.setting.id, value: b.value(i) },
        ],
      ]),
    ),
  }
}
