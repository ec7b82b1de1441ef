import type { Call, DeviceDraft, DraftField, DraftRow } from '../equipment'
import { fieldsOf, tellsRows } from './fields'

/** A difference between a draft and the draft that it was started from. */
export type DraftChange =
  | {
      what: 'field'
      field: DraftField
      was: DeviceDraft[DraftField['key']]
      now: DeviceDraft[DraftField['key']]
    }
  | { what: 'terminals'; added: string[]; removed: string[] }
  | { what: 'call'; call: Call; was: string[]; now: string[] }
  | { what: 'row'; row: number; was: DraftRow | null; now: DraftRow | null }

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/** Lists the differences between two drafts, field by field, in the form's order. */
export function changesOf(start: DeviceDraft, draft: DeviceDraft): DraftChange[] {
  const added = draft.terminals.filter((t) => !start.terminals.includes(t))
  const removed = start.terminals.filter((t) => !draft.terminals.includes(t))
  const calls = [...new Set([...Object.keys(start.outputs), ...Object.keys(draft.outputs)])] as Call[]
  const rows = tellsRows(draft) ? Math.max(start.rows.length, draft.rows.length) : 0
  return [
    ...(added.length || removed.length ? [{ what: 'terminals' as const, added, removed }] : []),
    ...calls.flatMap((call): DraftChange[] => {
      const [was, now] = [start.outputs[call] ?? [], draft.outputs[call] ?? []]
      return same([...was].sort(), [...now].sort()) ? [] : [{ what: 'call', call, was, now }]
    }),
    ...fieldsOf(draft).flatMap((field): DraftChange[] => {
      const [was, now] = [start[field.key], draft[field.key]]
      return was === now ? [] : [{ what: 'field', field, was, now }]
    }),
    ...Array.from({ length: rows }, (_, i) => i).flatMap((i): DraftChange[] => {
      const [was, now] = [start.rows[i] ?? null, draft.rows[i] ?? null]
      return same(was, now) ? [] : [{ what: 'row', row: i + 1, was, now }]
    }),
  ]
}
