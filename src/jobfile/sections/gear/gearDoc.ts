import type { Device, Unknowable, Value } from '@/core/equipment'

/** A placed device in a file: it names its device, whose description is carried in the same file. */
export interface PlacedEntry {
  ref: string
  device: string
  label: string
  where?: string
  settings: Record<string, Unknowable<Value>>
}

/** What is bolted down, with the descriptions of the devices that it uses. */
export interface GearDoc {
  devices: Record<string, Device>
  placed: PlacedEntry[]
}
