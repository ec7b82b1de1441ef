import type { Point } from '@/core/instruments'

/** The channel between the app's pages and instruments; `docs/instruments.md` describes what is said on it. */
export const CHANNEL = 'gate-cross-instruments'

/** A page's message: an instrument is put on a point, or taken off. */
export type FromPage =
  | {
      type: 'hold'
      id: string
      point: Point
      /** ISO time at which the call was made; null: long ago. */
      since: string | null
    }
  | { type: 'release'; id: string }

/** An instrument's message about a point that it is on. */
export interface FromInstrument {
  type: 'value'
  id: string
  instrument: { name: string; kind: string }
  /** null: it shows nothing there. */
  value: number | 'OL' | null
  unit: string
  /** It has settled. */
  settled: boolean
  at: string
}
