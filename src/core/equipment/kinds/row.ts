import type { DraftField } from '../draftField'
import type { PlateField } from '../plateField'

/** Properties of a kind that rules, plans and screens ask about; each names a capability, not a kind. */
export const TRAITS = [
  /** On the wall: a person sets it. */
  'onWall',
  /** Chooses between heat pump and furnace by itself. */
  'switchesFuel',
  /** Serves several zones. */
  'zones',
  /** Has the compressor and the outdoor coil. */
  'compresses',
  /** Outdoor half of a split system, joined to its indoor half by a line set. */
  'outdoorHalf',
  /** Everything in one outdoor cabinet. */
  'packaged',
  /** A cabinet indoors, with a blower. */
  'indoors',
  /** Has the blower that moves the house's air. */
  'movesAir',
  /** A cabinet that a strip kit plugs into. */
  'takesKit',
  /** A cabinet that may have heater rows of its own. */
  'holdsStrips',
  /** Adds heater rows to a cabinet. */
  'addsStrips',
  /** May have a burner. */
  'burns',
  /** Opens or closes by the outdoor temperature. */
  'outdoorSwitch',
  /** Opens by the air that enters the coil. */
  'feelsEnteringAir',
  'feelsWater',
  'feelsLeak',
  'watchesLine',
  /** A loose relay that isolates one circuit from another. */
  'isolates',
  /** Both ends of a device that sends two calls over one conductor. */
  'sendsOnPair',
  'receivesOnPair',
  'addsTransformer',
  'humidifies',
  'sensesOutdoors',
  /** Joins conductors, and nothing else. */
  'joinsWires',
  /** A breaker in the panel with its line circuit. */
  'feedsLine',
  /** Far from the outdoor coil and from the supply air: its air is no coil's. */
  'farFromCoil',
  /** A loose part that a new job may add. */
  'optional',
  /** Identifies a house on its papers. */
  'onGlance',
] as const
export type Trait = (typeof TRAITS)[number]

/** Everything that the code knows of one kind of device. Its words are in `words`. */
export interface KindRow {
  traits: readonly Trait[]
  /** Fields that its plate may have, beside built-in delays. */
  plate: Readonly<Record<string, PlateField>>
  /** Column in the wiring drawing: 0 at the wall, 1 indoors, 2 outdoors; null: not drawn there. */
  column: 0 | 1 | 2 | null
  /** A: breaker of its circuit where no plate gives one, if not 15; a kit's is fitted to its rows once they are wired. */
  usualBreakerA?: number
  /** Name and usual place of one in a new job; without a place it goes beside the indoor unit. */
  inJob: { ref: string; where?: 'inside wall' | 'utility room' | 'north wall' | 'panel' }
  /** Fields of the form that describes one; left out: the form cannot describe it. */
  form?: readonly DraftField[]
}
