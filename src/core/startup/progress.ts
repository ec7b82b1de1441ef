import { tolerances } from '../tolerances'
import { degF, type DegF } from '../units'

/** How a card of the test run ended, by whom and when. */
export const CARD_STATES = ['done', 'failed', 'notTestable', 'waiting'] as const
export type CardState = (typeof CARD_STATES)[number]
export interface CardMark {
  state: CardState
  note?: string
  who: string
  /** ISO 8601 time. */
  when: string
}

/** How far the test run has come: marks by card, and when each card's call was made. */
export interface Progress {
  cards: Record<string, CardMark>
  /** ISO 8601 time: a card's waits are counted from there, on whatever screen and after whatever interruption. */
  calls: Record<string, string>
  /** °F outdoors on the day; left out: nobody has read it. */
  outdoorF?: number
}
/** °F outdoors on the day of the test run; a mild one where nobody has said. */
export const dayF = ({ outdoorF }: Progress): DegF => degF(outdoorF ?? tolerances.mildF)
export const FRESH_PROGRESS: Progress = Object.freeze({ cards: {}, calls: {} })
