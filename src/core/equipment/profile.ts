import type { Expr } from './expr/expr'

/** How a device is keyed: what its keys and displays are like. */
export const PROFILE_STYLES = [
  'menu',
  'guided',
  'functions',
  'request',
  'triplets',
  'leds',
  'switches',
] as const
export type ProfileStyle = (typeof PROFILE_STYLES)[number]

/** Two settings that one code decides, with the code for each pair of values. */
export interface PairCode {
  /** The other setting. */
  with: string
  codes: { value: string; other: string; code: string }[]
}

/**
 * How a setting's value stands in an item: a code for each value; a number moved and scaled, with so many decimals; or a
 * code for each pair of values with another setting.
 */
export type ItemCode =
  | { map: Record<string, string> }
  | { number: { plus: number; times: number; decimals?: number } }
  | { pair: PairCode }

/** A line of a device's menu, a function number, a switch or a set of pins. */
export interface ProfileItem {
  /** As the device shows it ("B1", "F12", "3-07", "SW2-1"); the same code may stand at several addresses. */
  code: string
  label: string
  /** The setting that it writes, or writes a part of: one setting may be spread over two items. */
  setting: string
  /** Unit in which a wired controller stores the value. */
  address?: 'group' | 'unit' | 'outdoor'
  as: ItemCode
  /** The item is there only while other settings stand so; settings alone decide. */
  when?: Expr
  /** Request codes: the code that reads the value back. */
  readBack?: string
  /** The maker wants it left as it stands: it is shown, and never set. */
  leaveAlone?: boolean
}

/** The settings that an item writes: one, or the two that its code decides. */
export const settingsOfItem = ({ setting, as }: ProfileItem): string[] =>
  'pair' in as ? [setting, as.pair.with] : [setting]

/** How the settings of a device are keyed in, in the device's own order. */
export interface Profile {
  style: ProfileStyle
  /** Name of this way of keying in, where the device has several. */
  name?: string
  /** Condition before the first item, in words: "the outdoor unit has sent its data". */
  wait?: string
  /** Keys that open the menu, and those that leave it. */
  enter: string[]
  leave: string[]
  passcode?: string
  /** The unit must be off at its controller before the menu opens. */
  unitOff?: boolean
  /** Nothing may be moved while there is power. */
  powerOff?: boolean
  /** Writing it cannot be undone: note the value found first. */
  noUndo?: boolean
  /** Stored values count only after a second press. */
  activate?: boolean
  items: ProfileItem[]
  /** Settings that the device changes by itself when this one is written, unexpected by the technician. */
  shifts?: { setting: string; text: string }[]
  /** An installer's test menu, in words. */
  tests?: string[]
}
