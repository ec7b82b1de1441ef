import { hasTrait, type Intent, type Trait, type Unknowable, type Value } from '../equipment'
import { makeRef, settingValue, type Installation, type Placed, type Ref, type Wire } from '../installation'

/** A setting that decides something, wherever in the job it stands. */
export interface SettingAt {
  at: Ref
  placed: Placed
  /** null: not known yet. */
  value: Unknowable<Value>
}

/** Every setting of the job with this intent. */
export const settingsWith = (inst: Installation, intent: Intent): SettingAt[] =>
  inst.placed.flatMap((placed) => found(placed, intent))

const found = (placed: Placed, intent: Intent): SettingAt[] =>
  placed.device.settings
    .filter((s) => s.intent === intent)
    .map((s) => ({ at: makeRef(placed.ref, s.id), placed, value: settingValue(placed, s.id) }))

/** Settings of which nobody knows how they stand. */
export const unknownSettings = (inst: Installation): Ref[] =>
  inst.placed.flatMap((p) =>
    Object.entries(p.settings).flatMap(([id, value]) => (value === null ? [makeRef(p.ref, id)] : [])),
  )

/** The value of one device's setting with this intent; undefined where it has none. */
export const intentOf = (placed: Placed, intent: Intent): Unknowable<Value> | undefined =>
  found(placed, intent)[0]?.value

/** Whether an outdoor source, as it is set, gives a thermostat a temperature to act by: one that is shown and no more does not. */
export const isFelt = (source: Unknowable<Value> | undefined): boolean =>
  source === 'wired' || source === 'feed'

/** Placed devices of a kind with any of these traits, in the order in which they were placed. */
export const having = (inst: Pick<Installation, 'placed'>, ...traits: Trait[]): Placed[] =>
  inst.placed.filter((p) => traits.some((t) => hasTrait(p.device, t)))

/** Conductors and jumpers with an end on this terminal and the other end landed as well. */
export const landedAt = (inst: Installation, ref: Ref): Wire[] =>
  inst.wires.filter((w) => w.a !== null && w.b !== null && (w.a === ref || w.b === ref))

/** The far ends of the conductors that are landed on this terminal. */
export const farEnds = (inst: Installation, ref: Ref): Ref[] =>
  landedAt(inst, ref).flatMap((w) => [w.a, w.b].filter((end): end is Ref => end !== null && end !== ref))

export const isLanded = (inst: Installation, ref: Ref): boolean => landedAt(inst, ref).length > 0

/** Terminals of a placed device with one of these roles. */
export const terminalsWith = (placed: Placed, ...roles: string[]): Ref[] =>
  placed.device.terminals.filter((t) => roles.includes(t.role)).map((t) => makeRef(placed.ref, t.id))
