import type { Name, SettingChange } from '../installation'
import type { ReadingKind } from '../readings'
import type { Situation } from '../situation'

/** Position of an instrument, and the call that is made meanwhile. */
export interface Point {
  quantity: ReadingKind
  /** How it is held: "feed", "kitLead", "rowTerminals" … as a reading has it. */
  place: string
  at: Name
  /** Whether the clamp takes in the blower as well; null: however it is. */
  withBlower: boolean | null
  situation: Situation
  /** Settings that stand otherwise meanwhile. */
  moved?: readonly SettingChange[]
}
