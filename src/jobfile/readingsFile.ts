import { READINGS } from '@/core/readings'
import Papa from 'papaparse'
import type { Reading } from '@/core/startup'
import { check } from './check'
import { cellOf, csvOf } from './csv'
import { problem, type Checked, type Problem } from './problem'
import { readingProblems, readingSchema } from './sections/readings/readingSchema'

/** Columns of the file, in order; `unit` is for whoever reads it and is not read back. */
const COLUMNS = [
  'id', 'when', 'who', 'kind', 'value', 'unit', 'place', 'at', 'withBlower', 'panels', 'instrument', 'call', 'outdoorF', 'modes', 'moved', 'supersedes', 'note',
] as const // prettier-ignore
type Column = (typeof COLUMNS)[number]

/** The largest file that is read, characters, and the wrong places that are named. */
const MOST = 4 * 1024 * 1024
const MOST_PROBLEMS = 20

/** Readings as a table: one line each, oldest first, corrections after what they correct. A cell that begins a formula is made harmless. */
export function formatReadings(readings: readonly Reading[]): string {
  const rows = readings.map((r): Record<Column, string | number> => ({
    ...r,
    unit: READINGS[r.kind].unit,
    withBlower: r.withBlower === null ? '' : r.withBlower ? 'yes' : 'no',
    panels: r.panelsOff === undefined ? '' : r.panelsOff ? 'off' : 'on',
    call: r.situation.call,
    outdoorF: r.situation.outdoorF,
    modes: Object.entries(r.situation.modes).map(([at, state]) => `${at}=${state}`).join(' '), // prettier-ignore
    moved: r.moved?.length ? JSON.stringify(r.moved) : '',
    supersedes: r.supersedes ?? '',
    note: r.note ?? '',
  }))
  return csvOf(COLUMNS, rows)
}

/** Reads such a table, with its columns in any order. All of it is right, or each wrong line is named and none is taken. */
export function parseReadings(text: string): Checked<Reading[]> {
  if (text.length > MOST)
    return fail([problem('', `at most ${MOST / 1024 / 1024} MB`, `${text.length} characters`)])
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const [head = [], ...rows] = data
  const columns = head.map((h) => h.trim())
  const needed = COLUMNS.filter(
    (c) => !['unit', 'moved', 'note', 'modes', 'withBlower', 'panels'].includes(c),
  )
  const missing = needed.filter((c) => !columns.includes(c))
  if (missing.length)
    return fail([{ ...problem('', `columns ${missing.join(', ')}`, head.join(', ')), line: 1 }])
  const found: Reading[] = []
  const problems: Problem[] = []
  rows.forEach((cells, i) => {
    const line = i + 2
    const cell = (name: Column): string => cellOf(cells[columns.indexOf(name)] ?? '').trim()
    const read = readingOf(cell)
    const wrong = read.ok ? readingProblems(read.value, 'line') : read.problems
    problems.push(...wrong.map((p) => ({ ...p, path: p.path.replace(/^line\.?/, ''), line })))
    if (read.ok) found.push(read.value)
  })
  return problems.length ? fail(problems.slice(0, MOST_PROBLEMS)) : { ok: true, value: found }
}

const fail = (problems: Problem[]) => ({ ok: false as const, problems })

function readingOf(cell: (name: Column) => string): Checked<Reading> {
  const number = (name: Column) => (cell(name) === '' ? NaN : Number(cell(name).replace(',', '.')))
  const value = /^ol$/i.test(cell('value')) ? 'OL' : number('value')
  const blower = cell('withBlower').toLowerCase()
  let moved: unknown
  try {
    moved = cell('moved') ? JSON.parse(cell('moved')) : undefined
  } catch {
    return fail([problem('moved', 'settings as JSON, or nothing', cell('moved'))])
  }
  if (typeof value === 'number' && Number.isNaN(value))
    return fail([problem('value', 'a number, or OL', cell('value'))])
  if (Number.isNaN(number('outdoorF'))) return fail([problem('outdoorF', 'a number, °F', cell('outdoorF'))])
  const pairs = cell('modes').split(/\s+/).filter(Boolean).map((p) => p.split('=')) // prettier-ignore
  return check<Reading>(readingSchema(), {
    id: cell('id'),
    kind: cell('kind'),
    value,
    place: cell('place'),
    at: cell('at'),
    withBlower: blower === '' ? null : blower === 'yes',
    ...(cell('panels') === '' ? {} : { panelsOff: cell('panels').toLowerCase() === 'off' }),
    instrument: cell('instrument'),
    situation: {
      call: cell('call'),
      outdoorF: number('outdoorF'),
      modes: Object.fromEntries(pairs.map(([at = '', state = '']) => [at, state])),
    },
    ...(moved === undefined ? {} : { moved }),
    who: cell('who'),
    when: cell('when'),
    supersedes: cell('supersedes') || null,
    ...(cell('note') ? { note: cell('note') } : {}),
  })
}
