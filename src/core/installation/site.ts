import type { SitePlate } from '../equipment'
import type { Installation } from './installation'

/** What is known of a house beside its gear, wiring and settings. */
export interface Site {
  /** The owner's answers, by question. */
  answers: Readonly<Record<string, string>>
  /** Plates as they were read, by placed device. */
  plates: Readonly<Record<string, SitePlate>>
  /** in.w.c.: total external static pressure as measured; null: not measured. */
  staticInWc: number | null
  /** Money a kWh; money a therm or gallon. */
  prices: { readonly kwh?: number; readonly fuel?: number }
  /** Whether the start-up readings have been taken. */
  tested: boolean
}

/** A job as rules about the whole of it see it. */
export interface JobSeen extends Site {
  inst: Installation
}

/** A house of which nothing has been asked or read yet. */
export const UNKNOWN_SITE: Site = Object.freeze({
  answers: {},
  plates: {},
  staticInWc: null,
  prices: {},
  tested: false,
})
