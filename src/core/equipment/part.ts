import type { Expr } from './expr/expr'
import type { Duration } from './transition'
import type { Quantity, Value } from './value'

/** Function of a load that has its volts, in the terms of rules and chains. */
export type LoadFunction =
  | { what: 'compressor'; stage: 1 | 2 }
  | { what: 'outdoorFan' }
  /** `speed`: which of its speeds this is, where the board has several. */
  | { what: 'blower'; speed?: BlowerSpeed }
  /** `ahead`: the heat is made before the indoor coil. */
  | { what: 'strip'; row: number; ahead?: Ahead }
  | { what: 'burner'; stage: number; fuel: 'gas' | 'oil'; ahead?: Ahead }
  /** A try for ignition: it may not start without gas. */
  | { what: 'ignition' }
  | { what: 'humidifier' }
  /** A thermostat's or controller's own electronics. */
  | { what: 'control' }
  /** `energisedIn`: what the refrigerant circuit does while the solenoid has its volts; a setting's id or fixed. */
  | { what: 'reversingValve'; energisedIn: 'cooling' | 'heating' | { set: string } }

/** Fan alone, heat pump low or high, or heating. */
export const BLOWER_SPEEDS = ['fan', 'low', 'high', 'heat'] as const
export type BlowerSpeed = (typeof BLOWER_SPEEDS)[number]
/** Whether heat is made ahead of the indoor coil: fixed, or where a setting of the device says so. */
export type Ahead = boolean | { set: string; is: Value[] }

/** Kinds of contacts, for the words around them. */
export const GATES = [
  'thermostat', 'outdoorThermostat', 'timer', 'board', 'safety', 'relay', 'sequencer', 'contactor',
  'limit', 'fuseLink', 'fuse', 'breaker', 'disconnect', 'door', 'supply',
] as const // prettier-ignore
export type Gate = (typeof GATES)[number]

/** An ideal AC source (60 Hz) behind a resistance, from `b` to `a`. */
export interface SourcePart {
  kind: 'source'
  id: string
  a: string
  b: string
  volts: Quantity
  /** Phase against the service's first leg, degrees. */
  phaseDeg?: number
  ohms: number
}

/** A control transformer: primary `a`–`b`, secondary `c`–`d`; regulation lies in the secondary's resistance. */
export interface TransformerPart {
  kind: 'transformer'
  id: string
  a: string
  b: string
  c: string
  d: string
  label?: string
  /** V at the primary tap for which the secondary gives its rated volts. */
  primaryVolts: Quantity
  /** V at rated load, and with none. */
  secondaryVolts: number
  noLoadVolts: number
  va: number
}

/** A plain conductor inside the device. */
export interface PathPart {
  kind: 'path'
  id: string
  a: string
  b: string
  ohms: number
}

/** A coil, motor, element or electronic input. */
export interface LoadPart {
  kind: 'load'
  id: string
  a: string
  b: string
  label?: string
  /** Rated volts, and volt-amperes drawn at them. */
  volts: number
  va: Quantity
  /** 1 for a heater; 0.3 to 0.6 for a coil; lagging. */
  powerFactor?: number
  /** V: energised from here up, and until it falls below drop-out. */
  pullIn?: number
  dropOut?: number
  does?: LoadFunction
}

/** A contact, fuse, switch or breaker pole, closed while its driver says so. */
export interface ContactPart {
  kind: 'contact'
  id: string
  a: string
  b: string
  label?: string
  gate: Gate
  driver: Expr
  /** Ω of the contact while it is open: a triac leaks, a relay does not. */
  openOhms?: number
  /** s between what its driver says and what it does: a sequencer warms before it closes and stays closed while it cools. */
  after?: { closes: Duration; opens: Duration }
  /** A that a fuse or breaker is made for, or that the manufacturer lists for a contact. More is reported. */
  ratedA?: Quantity
}

export type Part = SourcePart | TransformerPart | PathPart | LoadPart | ContactPart

/** The circuit's reference node: earth and cabinet metal. A part's end may name it. */
export const EARTH = '@earth'
