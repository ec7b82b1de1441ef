import type { Brand } from './brand'

/** A temperature on the Fahrenheit scale. */
export type DegF = Brand<'°F'>
/** A difference between two temperatures, in Fahrenheit degrees. */
export type DeltaF = Brand<'Δ°F'>

/** Takes a plain number (°F) in at the edge. */
export const degF = (n: number): DegF => n as DegF
/** Takes a plain number (Fahrenheit degrees of difference) in at the edge. */
export const deltaF = (n: number): DeltaF => n as DeltaF

/** Moves a temperature by a difference, °F. */
export const warmer = (t: DegF, by: DeltaF): DegF => (t + by) as DegF
/** The difference `a` − `b`, in Fahrenheit degrees. */
export const between = (a: DegF, b: DegF): DeltaF => (a - b) as DeltaF

/** °C of a temperature: (°F − 32) / 1.8. */
export const celsius = (t: DegF): number => (t - 32) / 1.8
/** Kelvin of a difference: no offset, only the scale. */
export const kelvins = (d: DeltaF): number => d / 1.8
