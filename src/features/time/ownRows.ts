import { ownText, readOwn, type OwnEvent, type OwnProblem, type OwnWhat } from '@/core/simulation'

/** A line of a scene as it is typed. */
export interface OwnRow {
  at: string
  what: OwnWhat
  value: string
}

const read = (row: OwnRow) => readOwn(`${row.at} ${row.what} ${row.value}`.trim())

/** Error in a line; null: none. */
export function problemOf(row: OwnRow): OwnProblem['expected'] | null {
  const found = read(row)
  return found.ok ? null : (found.problems[0]?.expected ?? null)
}

/** The lines that can be read, in the order of their times. */
export const eventsOf = (rows: readonly OwnRow[]): OwnEvent[] =>
  rows
    .flatMap((row) => {
      const found = read(row)
      return found.ok ? found.value : []
    })
    .sort((a, b) => a.at - b.at)

/** The lines of a written scene. */
export function rowsOf(text: string): OwnRow[] {
  const found = readOwn(text)
  if (!found.ok) return []
  return found.value.map((e) => ({
    at: ownText([e]).split(' ')[0] ?? '',
    what: e.what,
    value: 'value' in e ? String(e.value) : '',
  }))
}

/** A custom scene's first entries: a cold evening, a warmer morning. */
export const BEGINS: readonly OwnRow[] = [
  { at: '0:00', what: 'out', value: '30' },
  { at: '0:00', what: 'set', value: '66' },
  { at: '2:00', what: 'out', value: '20' },
  { at: '2:00', what: 'set', value: '70' },
  { at: '6:00', what: 'end', value: '' },
]
