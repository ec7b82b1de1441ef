import type { Device, Unknowable, Value } from '@/core/equipment'

/** A placed device in a file: it names its device, whose description is carried in the same file. */
export interface PlacedEntry {
  ref: string
  device: string
  label: string
  where?: string
  /** As left. One that is left out is not known, unless the device is new from its box or `defaultAssumed`. */
  settings: Record<string, Unknowable<Value>>
  /** From a file of a version in which a setting that was left out was at its factory default. */
  defaultAssumed?: true
}

/** The equipment, with the descriptions of its devices. */
export interface GearDoc {
  devices: Record<string, Device>
  placed: PlacedEntry[]
}
