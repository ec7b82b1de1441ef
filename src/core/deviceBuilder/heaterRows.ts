import type { Ahead, DeviceDraft, DraftRow, Expr, Mode, Part } from '../equipment'
import { BACKUP_CALLS, contact, delayed, inMode, limitTransitions, load, mode } from './pieces'

/** °F at which a row's limit usually opens (120 to 170 °F). */
const LIMIT_F = 150

/** The two legs of each line circuit of a kit. */
export const LEGS: Record<DraftRow['circuit'], readonly [string, string]> = {
  1: ['L1', 'L2'],
  2: ['L3', 'L4'],
  3: ['L5', 'L6'],
}
/** The coils of heater rows that stand among some terminals, first to last; and what each is called inside the device. */
export const coilsAmong = (terminals: readonly string[]): DraftRow['by'][] =>
  (['W1', 'W2', 'W3'] as const).filter((w) => terminals.includes(w))
export const coilId = (w: DraftRow['by']): string => `k${w.slice(1)}`

/** The rows as the device can have them: one on a coil that it lacks is on its first. */
export function rowsOn(draft: DeviceDraft): DraftRow[] {
  const coils = coilsAmong(draft.terminals)
  const [first] = coils
  return first ? draft.rows.map((r) => (coils.includes(r.by) ? r : { ...r, by: first })) : []
}
/** The circuits that the rows are on. */
export const circuitsOf = (rows: readonly DraftRow[]): DraftRow['circuit'][] =>
  ([1, 2, 3] as const).filter((n) => rows.some((r) => r.circuit === n))

/** From the line: fuse link where there are any, element, limit and the contact that brings the row on. */
export function rowParts(
  draft: DeviceDraft,
  row: DraftRow,
  number: number,
  closes: Expr,
  ahead?: Ahead,
): { parts: Part[]; modes: Mode[] } {
  const [hot, other] = LEGS[row.circuit]
  const [a, b, c] = [`e${number}a`, `e${number}b`, `e${number}c`]
  const name = `Row ${number}`
  const start = draft.fuseLinks ? a : hot
  const gate = draft.switchedBy
  return {
    parts: [
      ...(draft.fuseLinks
        ? [
            contact(
              `link${number}`,
              [hot, a],
              'fuseLink',
              `${name} fuse link`,
              inMode(`link${number}`, 'good'),
            ),
          ]
        : []),
      load(
        `row${number}`,
        [start, b],
        name,
        { volts: 240, va: row.watts, powerFactor: 1, pullIn: 60, dropOut: 40 },
        { what: 'strip', row: number, ...(ahead ? { ahead } : {}) },
      ),
      contact(`limit${number}`, [b, c], 'limit', `${name} limit`, inMode(`limit${number}`, 'closed')),
      stepped(draft, number, contact(`heat${number}`, [c, other], gate, `${name} ${gate} contact`, closes)),
    ],
    modes: [
      {
        ...mode(
          `limit${number}`,
          `${name} limit`,
          ['closed', 'Closed'],
          ['open', 'Open, too hot'],
          'tripped',
          {
            call: BACKUP_CALLS,
          },
        ),
        transitions: limitTransitions(LIMIT_F),
      },
      ...(draft.fuseLinks
        ? [
            mode(
              `link${number}`,
              `${name} fuse link`,
              ['good', 'Good'],
              ['open', 'Open'],
              'failed',
              'failure',
            ),
          ]
        : []),
    ],
  }
}

/**
 * A sequencer's contacts come in one after another, within the seconds of one step, and go out in the opposite order,
 * 30 to 110 s; a relay's come at once.
 */
function stepped(draft: DeviceDraft, number: number, part: Part): Part {
  if (draft.switchedBy !== 'sequencer') return part
  const rows = Math.max(1, draft.rows.length)
  const closes = Math.round((draft.stepSeconds * (number + 1)) / (rows + 1))
  return delayed(part, closes, Math.round(90 - (40 * (number - 1)) / rows))
}

/** A bank of rows at 240 V: the rows that these coils turn on. */
export interface Bank {
  coils: DraftRow['by'][]
  rows: number[]
  watts: number
  /** A by line circuit: watts over 240 V. */
  amps: { circuit: DraftRow['circuit']; amps: number }[]
}

/** The bank table: W1, W1 with W2, and all, as far as there are rows. */
export function bankTable(rows: readonly DraftRow[]): Bank[] {
  const coils = coilsAmong(rows.map((r) => r.by))
  return coils.map((_, i) => {
    const these = coils.slice(0, i + 1)
    const on = rows.flatMap((r, n) => (these.includes(r.by) ? [{ ...r, number: n + 1 }] : []))
    return {
      coils: these,
      rows: on.map((r) => r.number),
      watts: on.reduce((sum, r) => sum + r.watts, 0),
      amps: circuitsOf(on).map((circuit) => ({
        circuit,
        amps: on.filter((r) => r.circuit === circuit).reduce((sum, r) => sum + r.watts / 240, 0),
      })),
    }
  })
}
