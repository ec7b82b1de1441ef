import type { SitePlate } from '../equipment'
import { UNKNOWN_HOUSE, type ClimateChoice, type House, type Prices } from '../house'
import type { Installation } from './installation'

/** Entries about a house beside its equipment, wiring and settings. */
export interface Site {
  /** The owner's answers, by question. */
  answers: Readonly<Record<string, string>>
  /** Plates as they were read, by placed device. */
  plates: Readonly<Record<string, SitePlate>>
  /** in.w.c.: total external static pressure as measured; null: not measured. */
  staticInWc: number | null
  prices: Prices
  house: House
  /** The weather that the year is calculated with; null: none is chosen. */
  climate: ClimateChoice | null
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
  house: UNKNOWN_HOUSE,
  climate: null,
  tested: false,
})
