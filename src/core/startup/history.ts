import { READINGS, type ReadingKind } from '../readings'
import { BANDS } from './bands'
import { modesKey } from '../situation'
import { currentReadings, type Reading } from './reading'

/** Repeated readings of one quantity at one place in one call. */
export interface ReadingLine {
  kind: ReadingKind
  place: Reading['place']
  at: Reading['at']
  call: Reading['situation']['call']
  /** First to last; of several on one day the one that stands last. */
  points: { day: string; value: number | 'OL'; id: string }[]
  /** By which part the last stands off the first, strip amps at like volts where those were read; null: there is no second, or an open circuit. */
  change: number | null
  /** `drifts`: by more than such a part changes in good health. */
  drift: 'steady' | 'drifts' | null
}

const dayOf = (r: Reading): string => r.when.slice(0, 10)

/** Readings at the same place in the same call, day by day, and their drift. Corrected readings do not count. */
export function readingHistory(readings: readonly Reading[]): ReadingLine[] {
  const lines = new Map<string, ReadingLine>()
  const inOrder = currentReadings(readings)
    .filter((r) => !r.moved?.length)
    .sort((a, b) => (a.when < b.when ? -1 : 1))
  for (const r of inOrder) {
    const { kind, place, at, value } = r
    const { call } = r.situation
    const modes = modesKey(r.situation.modes)
    // A reading with the blower's current in the clamp is another quantity, and so is one in a defrost.
    const key = JSON.stringify([kind, place, at, call, r.withBlower, modes])
    const known = lines.get(key) ?? { kind, place, at, call, points: [], change: null, drift: null }
    const day = dayOf(r)
    lines.set(key, {
      ...known,
      points: [...known.points.filter((p) => p.day !== day), { day, value, id: r.id }],
    })
  }
  const volts = new Map(
    inOrder.flatMap((r) =>
      r.kind === 'lineVolts' && typeof r.value === 'number' && r.value > 0
        ? [[dayOf(r), r.value] as const]
        : [],
    ),
  )
  return [...lines.values()].map((line) => ({ ...line, ...driftOf(line, volts) }))
}

/** @param volts line volts by day: what strips draw goes with them */
function driftOf(
  { kind, points }: ReadingLine,
  volts: ReadonlyMap<string, number>,
): Pick<ReadingLine, 'change' | 'drift'> {
  const [first] = points
  const last = points[points.length - 1]
  if (!first || !last || first === last) return { change: null, drift: null }
  if (first.value === 'OL' || last.value === 'OL' || first.value === 0)
    return { change: null, drift: first.value === last.value ? 'steady' : 'drifts' }
  const [before, after] = [volts.get(first.day), volts.get(last.day)]
  const known = kind === 'stripAmps' && before !== undefined && after !== undefined
  const change = last.value / first.value / (known ? after / before : 1) - 1
  const most = kind === 'stripAmps' && !known ? BANDS.driftWithoutVolts : READINGS[kind].driftShare
  if (most === undefined) return { change, drift: null }
  const by = Math.abs(change)
  return { change, drift: by > most + 1e-9 ? 'drifts' : 'steady' }
}
