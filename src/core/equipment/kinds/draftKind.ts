/** Kinds of devices that can be described by ticking terminals and behavior; a `switch` is a float, a trip or an outdoor thermostat. */
export const DRAFT_KINDS = [
  'thermostat',
  'outdoorUnit',
  'airHandler',
  'stripKit',
  'furnace',
  'packagedUnit',
  'switch',
] as const
export type DraftKind = (typeof DRAFT_KINDS)[number]
