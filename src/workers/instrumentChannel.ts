import type { Point } from '@/core/instruments'

/** The channel between the app's pages and instruments; `docs/instruments.md` describes what is said on it. */
export const CHANNEL = 'gate-cross-instruments'

/** What a page says: that an instrument is held somewhere, or no more. */
export type FromPage =
  | {
      type: 'hold'
      id: string
      point: Point
      /** ISO time at which the call was made; null: long ago. */
      since: string | null
    }
  | { type: 'release'; id: string }

/** What an instrument says of a hold. */
export interface FromInstrument {
  type: 'value'
  id: string
  instrument: { name: string; kind: string }
  /** null: it shows nothing there. */
  value: number | 'OL' | null
  unit: string
  /** It has come to rest. */
  settled: boolean
  at: string
}
