import type { Brand } from './brand'

export type Volts = Brand<'V'>
export type Amps = Brand<'A'>
export type Ohms = Brand<'Ω'>
/** Real power, or the volt-amperes of what is purely resistive. */
export type Watts = Brand<'W'>

/** Takes a plain number (V) in at the edge. */
export const asVolts = (n: number): Volts => n as Volts
/** Takes a plain number (A) in at the edge. */
export const asAmps = (n: number): Amps => n as Amps
/** Takes a plain number (Ω) in at the edge. */
export const asOhms = (n: number): Ohms => n as Ohms
/** Takes a plain number (W) in at the edge. */
export const asWatts = (n: number): Watts => n as Watts
