import { nth } from '../sure'
import {
  INTENTS,
  type Device,
  type Expr,
  type Intent,
  type Profile,
  type ProfileItem,
  type Setting,
  type Value,
} from '../equipment'

/** One line of a paper manual's menu, as it is typed or pasted: six cells of text. */
export interface ProfileRow {
  code: string
  label: string
  /** An intent, by its id; empty: the device's own business. */
  intent: string
  /** "1=Cooling, 2=Heating", or "0..5", "0..120/10 min". */
  values: string
  address: string
  /** "A1=3": there only while item A1 stands at 3. */
  when: string
}
export const COLUMNS = ['code', 'label', 'intent', 'values', 'address', 'when'] as const
export type Column = (typeof COLUMNS)[number]
export const EMPTY_ROW: ProfileRow = { code: '', label: '', intent: '', values: '', address: '', when: '' }

export interface RowError {
  /** From 1, as a person counts. */
  row: number
  column: Column
  expected: string
}

export interface RowsRead {
  settings: Setting[]
  items: ProfileItem[]
  errors: RowError[]
}

/** Cells out of a spreadsheet's clipboard: tabs between cells, line ends between rows; a heading row is left out. */
export function rowsFromText(text: string): Partial<ProfileRow>[] {
  const lines = text.replace(/\r/g, '').replace(/\n+$/, '').split('\n')
  const cells = lines.map((l) => l.split('\t').map((c) => c.trim()))
  const heading = cells[0]?.[0]?.toLowerCase() === 'code'
  return cells
    .slice(heading ? 1 : 0)
    .map((line) => Object.fromEntries(line.slice(0, COLUMNS.length).map((c, i) => [nth(COLUMNS, i), c])))
}

const blank = (r: ProfileRow): boolean => COLUMNS.every((c) => r[c].trim() === '')
const slug = (s: string): string =>
  s
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40) || 'v'

/**
 * Settings and items from rows. A row whose intent the device has already as a setting writes that setting, so that the
 * wiring goes on reading it; any other row brings a setting of its own.
 */
export function readRows(device: Device, rows: readonly ProfileRow[]): RowsRead {
  const out: RowsRead = { settings: [], items: [], errors: [] }
  const known = new Map<string, { setting: Setting; codes: Map<string, Value> }>()
  rows.forEach((row, i) => {
    if (blank(row)) return
    const wrong = (column: Column, expected: string) => void out.errors.push({ row: i + 1, column, expected })
    const code = row.code.trim()
    const address = row.address.trim().toLowerCase()
    if (!/^[A-Za-z0-9-]{1,12}$/.test(code)) wrong('code', 'letters, digits and dashes, at most 12')
    const key = `${address}/${code}`
    if (known.has(key)) wrong('code', 'a code used once')
    if (!row.label.trim()) wrong('label', 'what the device or its manual calls it')
    const intent = row.intent.trim()
    if (intent && !(INTENTS as readonly string[]).includes(intent))
      wrong('intent', 'an intent of the list, or nothing')
    if (address && !['group', 'unit', 'outdoor'].includes(address))
      wrong('address', 'group, unit, outdoor, or nothing')
    const own = device.settings.find((s) => intent !== '' && s.intent === intent)
    const read = readValues(row.values, own)
    if (!read) {
      wrong('values', 'such as “1=Cooling, 2=Heating” or “0..120/10 min”')
      return
    }
    const when = readWhen(row.when, known)
    if (when === null) wrong('when', 'an earlier item and a code of it, such as “A1=3”')
    const setting: Setting = {
      ...(own ?? { id: `s${slug(key)}`, group: 'set' as const }),
      label: own?.label ?? row.label.trim(),
      ...read.setting,
      ...(intent ? { intent: intent as Intent } : {}),
    }
    known.set(key, { setting, codes: read.codes })
    if (!out.settings.some((s) => s.id === setting.id)) out.settings.push(setting)
    out.items.push({
      code,
      label: row.label.trim(),
      setting: setting.id,
      ...(address ? { address: address as 'group' | 'unit' | 'outdoor' } : {}),
      as: read.as,
      ...(when ? { when } : {}),
    })
  })
  return out
}

interface Values {
  setting: Pick<Setting, 'kind' | 'default'> & Partial<Setting>
  as: ProfileItem['as']
  /** What each code means. */
  codes: Map<string, Value>
}

function readValues(text: string, own: Setting | undefined): Values | null {
  const range =
    /^(-?\d+(?:\.\d+)?)\s*\.\.\s*(-?\d+(?:\.\d+)?)(?:\s*\/\s*(\d+(?:\.\d+)?))?(?:\s+([^=]{1,12}))?$/.exec(
      text.trim(),
    )
  if (range) {
    const [low, high, step] = [Number(range[1]), Number(range[2]), Number(range[3] ?? 1)]
    if (low >= high || step <= 0) return null
    const unit = (range[4] ?? '').trim()
    const start =
      typeof own?.default === 'number' && own.default >= low && own.default <= high ? own.default : low
    return {
      setting: { kind: 'number', range: [low, high], step, ...(unit ? { unit } : {}), default: start },
      as: { number: { plus: 0, times: 1 } },
      codes: new Map(),
    }
  }
  // A comma inside a meaning does not part two of them: only one with a code behind it does.
  const parts = text.split(/[,;](?=\s*[A-Za-z0-9-]{1,12}\s*=)/)
  const pairs = parts.flatMap((p) => {
    const [, code, label] = /^\s*([A-Za-z0-9-]{1,12})\s*=\s*(.+?)\s*$/.exec(p) ?? []
    return code && label ? [{ code, label }] : []
  })
  if (!text.trim() || pairs.length < parts.length) return null
  const map: Record<string, string> = {}
  const codes = new Map<string, Value>()
  if (own?.kind === 'number' && pairs.every((p) => Number.isFinite(Number(p.label)))) {
    // A number that the device takes at a few values only: pins, switches, lights.
    for (const p of pairs) {
      map[String(Number(p.label))] = p.code
      codes.set(p.code, Number(p.label))
    }
    return { setting: { kind: 'number', default: own.default }, as: { map }, codes }
  }
  const options = pairs.map(({ code, label }) => {
    const same = own?.options?.find((o) =>
      [o.id, o.label].some((x) => x.toLowerCase() === label.toLowerCase()),
    )
    const id = same?.id ?? slug(label)
    map[id] = code
    codes.set(code, id)
    return { id, label: same?.label ?? label }
  })
  if (new Set(options.map((o) => o.id)).size < options.length) return null
  const start = own && options.some((o) => o.id === own.default) ? own.default : nth(options, 0).id
  return { setting: { kind: 'choice', options, default: start }, as: { map }, codes }
}

/** undefined: always there; null: it cannot be read. */
function readWhen(
  text: string,
  known: ReadonlyMap<string, { setting: Setting; codes: Map<string, Value> }>,
): Expr | undefined | null {
  if (!text.trim()) return undefined
  const all: Expr[] = []
  for (const part of text.split(/[,;]/)) {
    const m = /^\s*([A-Za-z0-9-]+)\s*=\s*([A-Za-z0-9-]+)\s*$/.exec(part)
    const item = m && [...known.entries()].find(([k]) => k.endsWith(`/${m[1]}`))?.[1]
    const value = m && item?.codes.get(nth(m, 2))
    if (!item || value === undefined || value === null) return null
    all.push({ set: item.setting.id, is: [value] })
  }
  return all.length === 1 ? nth(all, 0) : { all }
}

/** A device with these rows as its profile; settings that no row writes stay as they are. */
export function withRows(device: Device, read: RowsRead, frame: Omit<Profile, 'items'>): Device {
  const kept = device.settings.filter((s) => !read.settings.some((r) => r.id === s.id))
  return { ...device, settings: [...kept, ...read.settings], profile: { ...frame, items: read.items } }
}

/** The frame of a device's profile, or a plain one for a device that has none. */
export function frameOf(device: Device): Omit<Profile, 'items'> {
  if (!device.profile) return { style: 'menu', enter: ['HOLD MENU'], leave: ['DONE'] }
  const { items: _, ...frame } = device.profile
  return frame
}

/** A device's profile as rows, to go on from. */
export function profileRowsOf(device: Device): ProfileRow[] {
  const items = device.profile?.items ?? []
  const codeFor = (setting: string, value: Value): string | null => {
    const item = items.find((i) => i.setting === setting && 'map' in i.as)
    return item && 'map' in item.as ? `${item.code}=${item.as.map[String(value)] ?? ''}` : null
  }
  const whenText = (e: Expr | undefined): string => {
    if (!e) return ''
    if ('all' in e) return e.all.map(whenText).filter(Boolean).join(', ')
    return 'set' in e ? (codeFor(e.set, nth(e.is, 0)) ?? '') : ''
  }
  return items.map((item) => {
    const s = device.settings.find((x) => x.id === item.setting)
    const values =
      'map' in item.as
        ? Object.entries(item.as.map)
            .sort((a, b) => Number(a[1]) - Number(b[1]))
            .map(([v, c]) => `${c}=${s?.options?.find((o) => o.id === v)?.label ?? v}`)
            .join(', ')
        : `${s?.range?.[0] ?? 0}..${s?.range?.[1] ?? 0}${s?.step && s.step !== 1 ? `/${s.step}` : ''}${s?.unit ? ` ${s.unit}` : ''}`
    return {
      code: item.code,
      label: item.label,
      intent: s?.intent ?? '',
      values,
      address: item.address ?? '',
      when: whenText(item.when),
    }
  })
}
