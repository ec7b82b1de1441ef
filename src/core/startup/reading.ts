import type { Name } from '../installation'
import type { Situation } from '../situation'

export type ReadingKind =
  'controlVolts' | 'lineVolts' | 'legToGround' | 'stripAmps' | 'rowOhms' | 'returnAir' | 'supplyAir'

/** Where the leads or the jaw were. `at` names the device, terminal or load; `place` says which way of measuring there. */
export type ReadingPlace =
  | 'terminals' | 'feed' | 'kitLead' | 'rowTerminals' | 'disconnect' | 'returnDuct' | 'supplyDuct' // prettier-ignore

/** One reading. It is never changed: a correction is another reading that supersedes it. */
export interface Reading {
  id: string
  kind: ReadingKind
  /** In the kind's unit; "OL" where an ohmmeter shows an open circuit. */
  value: number | 'OL'
  place: ReadingPlace
  at: Name
  /** Whether the clamp also takes in the blower; null: not known. Amps only. */
  withBlower: boolean | null
  instrument: string
  situation: Situation
  who: string
  /** ISO 8601 time. */
  when: string
  supersedes: string | null
  note?: string
}

/** Unit, and the least and greatest value that a meter on this work can show; anything else is a slip of the finger. */
export const READING_KINDS: Record<
  ReadingKind,
  { unit: string; least: number; most: number; places: ReadingPlace[] }
> = {
  controlVolts: { unit: 'V', least: 0, most: 150, places: ['terminals'] },
  lineVolts: { unit: 'V', least: 0, most: 600, places: ['disconnect', 'feed', 'terminals'] },
  legToGround: { unit: 'V', least: 0, most: 600, places: ['terminals'] },
  stripAmps: { unit: 'A', least: 0, most: 200, places: ['feed', 'kitLead', 'rowTerminals'] },
  rowOhms: { unit: 'Ω', least: 0, most: 100_000, places: ['rowTerminals'] },
  returnAir: { unit: '°F', least: -40, most: 200, places: ['returnDuct'] },
  supplyAir: { unit: '°F', least: -40, most: 200, places: ['supplyDuct'] },
}

/** The readings that stand: those that no other supersedes. */
export function standing(readings: readonly Reading[]): Reading[] {
  const gone = new Set(readings.flatMap((r) => (r.supersedes ? [r.supersedes] : [])))
  return readings.filter((r) => !gone.has(r.id))
}
