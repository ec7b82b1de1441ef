import { nth } from '../assert'
import { COLUMNS, type Column, type ProfileRow } from './profileRow'
import { isUnread, readValues, slug, type Codes, type Values } from './rowValues'
import { INTENTS, type Device, type Expr, type ProfileItem, type Setting } from '../equipment'

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
/**
 * Settings and items from rows. A row whose intent the device has already as a setting writes that setting, so that the
 * wiring goes on reading it; any other row brings a setting of its own.
 */
export function readRows(device: Device, rows: readonly ProfileRow[]): RowsRead {
  const out: RowsRead = { settings: [], items: [], errors: [] }
  const known = new Map<string, Codes>()
  rows.forEach((row, i) => {
    if (blank(row)) return
    const wrong = (column: Column, expected: string) => void out.errors.push({ row: i + 1, column, expected })
    const code = row.code.trim()
    const address = row.address.trim().toLowerCase()
    if (!CODE.test(code)) wrong('code', 'letters, digits, dots and dashes, at most 12')
    const key = `${address}/${code}`
    if (known.has(key)) wrong('code', 'a code used once')
    if (!row.label.trim()) wrong('label', 'what the device or its manual calls it')
    const intents = row.intent.split('+').map((t) => t.trim())
    const isIntent = (t: string) => (INTENTS as readonly string[]).includes(t)
    if (
      intents.length > 2 ||
      intents.some((t) => t && !isIntent(t)) ||
      new Set(intents).size < intents.length
    )
      wrong('intent', 'an intent of the list, two of them with a plus, or nothing')
    if (address && !['group', 'unit', 'outdoor'].includes(address))
      wrong('address', 'group, unit, outdoor, or nothing')
    const read = readValues(device, row, intents, `s${slug(key)}`)
    if (isUnread(read)) {
      const example =
        intents.length > 1
          ? 'such as “1=Heat pump / One, 2=Heat pump / Two”'
          : 'such as “1=Cooling, 2=Heating” or “0..120/10 min”'
      wrong('values', read.expected ?? example)
      return
    }
    const note = readNote(row.note, read)
    if (!note) wrong('note', 'leave alone; reads back 12; default 2; default 3 for REV B')
    const when = readWhen(row.when, known)
    if (when === null) wrong('when', 'an earlier item and a code of it, such as “A1=3”')
    known.set(key, read.codes)
    for (const setting of read.settings)
      if (!out.settings.some((s) => s.id === setting.id)) out.settings.push(setting)
    out.items.push({
      code,
      label: row.label.trim(),
      setting: nth(read.settings, 0).id,
      ...(address ? { address: address as 'group' | 'unit' | 'outdoor' } : {}),
      as: read.as,
      ...(when ? { when } : {}),
      ...(note?.readBack ? { readBack: note.readBack } : {}),
      ...(note?.leaveAlone ? { leaveAlone: true } : {}),
    })
  })
  return out
}

const CODE = /^[A-Za-z0-9.-]{1,12}$/
/** Reads the note of a row; defaults are written into the row's settings. null: it cannot be read. */
function readNote(text: string, read: Values): { leaveAlone: boolean; readBack: string | null } | null {
  const note = { leaveAlone: false, readBack: null as string | null }
  for (const part of text.split(';').map((t) => t.trim())) {
    if (!part) continue
    const [, back] = /^reads? back\s+(?:as\s+|by\s+)?([A-Za-z0-9.-]{1,12})$/i.exec(part) ?? []
    const [, standing, model] = /^default\s+([A-Za-z0-9.-]{1,12})(?:\s+for\s+(.{1,40}))?$/i.exec(part) ?? []
    if (/^leave alone$/i.test(part)) note.leaveAlone = true
    else if (back) note.readBack = back
    else if (standing) {
      const [setting] = read.settings
      const number = Number(standing)
      const inRange = setting?.range && number >= setting.range[0] && number <= setting.range[1]
      const values =
        read.codes.get(standing) ??
        (setting && 'number' in read.as && inRange ? [{ set: setting.id, value: number }] : null)
      if (!values) return null
      for (const { set, value } of values) {
        const of = read.settings.find((s) => s.id === set)
        if (!of) return null
        if (model)
          of.defaultFor = [
            ...(of.defaultFor ?? []).filter((d) => !('model' in d) || d.model !== model),
            { model, value },
          ]
        else of.default = value
      }
    } else return null
  }
  return note
}

/** undefined: always there; null: it cannot be read. */
function readWhen(text: string, known: ReadonlyMap<string, Codes>): Expr | undefined | null {
  if (!text.trim()) return undefined
  const all: Expr[] = []
  for (const part of text.split(/[,;]/)) {
    const m = /^\s*([A-Za-z0-9.-]+)\s*=\s*([A-Za-z0-9.-]+)\s*$/.exec(part)
    const codes = m && [...known.entries()].find(([k]) => k.endsWith(`/${m[1]}`))?.[1]
    const meant = m && codes?.get(nth(m, 2))
    if (!meant) return null
    all.push(...meant.map(({ set, value }): Expr => ({ set, is: [value] })))
  }
  return all.length === 1 ? nth(all, 0) : { all }
}
