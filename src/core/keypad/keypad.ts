import type { Device, Unknowable, Profile, ProfileStyle, Value } from '../equipment'
import { Functions } from './functions'
import { Guided } from './guided'
import { Leds } from './leds'
import { Memory } from './memory'
import { Menu } from './menu'
import { Request } from './request'
import { Switches } from './switches'
import { Triplets } from './triplets'

/**
 * A small stand-in for a device, that behaves as its profile says and takes keystrokes only. It shares no code with the
 * key-in sheets: what a sheet says is followed on it, key by key, and what it then remembers is compared.
 */
export interface Keypad {
  press(key: string): void
  /** Text of the display, its lights or its switches. */
  display(): string
  /** The keys that there are, for operating it on a screen. */
  keys(): string[]
  /** The settings that it would now act on. */
  settings(): Record<string, Unknowable<Value>>
}

type Make = new (memory: Memory, profile: Profile) => Keypad
const STYLES: Record<ProfileStyle, Make> = {
  menu: Menu,
  guided: Guided,
  functions: Functions,
  request: Request,
  triplets: Triplets,
  leds: Leds,
  switches: Switches,
}

/** A stand-in with these settings in its memory, keyed in one of its ways; null for a device that has no profile. */
export function keypadFor(
  device: Device,
  start: Readonly<Record<string, Unknowable<Value>>> = {},
  profile = device.profile,
): Keypad | null {
  return profile ? new STYLES[profile.style](new Memory(device, start, profile.items), profile) : null
}
