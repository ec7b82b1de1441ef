import {
  customSceneText,
  readCustomScene,
  type SceneEvent,
  type SceneProblem,
  type SceneEventKind,
} from '@/core/simulation'

/** A line of a scene as it is typed. */
export interface SceneRow {
  at: string
  what: SceneEventKind
  value: string
}

const read = (row: SceneRow) => readCustomScene(`${row.at} ${row.what} ${row.value}`.trim())

/** Error in a line; null: none. */
export function problemOf(row: SceneRow): SceneProblem['expected'] | null {
  const found = read(row)
  return found.ok ? null : (found.problems[0]?.expected ?? null)
}

/** The lines that can be read, in the order of their times. */
export const eventsOf = (rows: readonly SceneRow[]): SceneEvent[] =>
  rows
    .flatMap((row) => {
      const found = read(row)
      return found.ok ? found.value : []
    })
    .sort((a, b) => a.at - b.at)

/** The lines of a written scene. */
export function rowsOf(text: string): SceneRow[] {
  const found = readCustomScene(text)
  if (!found.ok) return []
  return found.value.map((e) => ({
    at: customSceneText([e]).split(' ')[0] ?? '',
    what: e.what,
    value: 'value' in e ? String(e.value) : '',
  }))
}

/** A custom scene's first entries: a cold evening, a warmer morning. */
export const BEGINS: readonly SceneRow[] = [
  { at: '0:00', what: 'out', value: '30' },
  { at: '0:00', what: 'set', value: '66' },
  { at: '2:00', what: 'out', value: '20' },
  { at: '2:00', what: 'set', value: '70' },
  { at: '6:00', what: 'end', value: '' },
]
