import type { Instrument } from '../readings'

/** Properties of an ordinary instrument. */
export interface Nature {
  /** Part of the reading, and smallest step, by which two of its kind may differ. */
  share: number
  step: number
  /** s in which it comes two thirds of the way to a new value. */
  lag: number
}
export const NATURES: Readonly<Record<Instrument, Nature>> = {
  voltmeter: { share: 0.006, step: 0.1, lag: 0.5 },
  clamp: { share: 0.015, step: 0.1, lag: 1 },
  thermometer: { share: 0.002, step: 0.1, lag: 15 },
  manometer: { share: 0.01, step: 0.01, lag: 2 },
  outdoorSensor: { share: 0.004, step: 0.1, lag: 30 },
  gauges: { share: 0.01, step: 0.1, lag: 20 },
  analyser: { share: 0.02, step: 1, lag: 30 },
}

/** A number between 0 and 1 that goes by its seed alone. */
export function draw(seed: number): number {
  // Mulberry32: what is drawn for a seed is the same everywhere.
  let t = (seed + 0x6d2b79f5) | 0
  t = Math.imul(t ^ (t >>> 15), t | 1)
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296
}

/** A number that stands for a text, for seeds. */
export const seedOf = (text: string): number =>
  [...text].reduce((n, c) => (Math.imul(n, 31) + c.charCodeAt(0)) | 0, 7)

/** The instrument's display for a true value: with its own error, a flicker of the last digit, and its steps. */
export function shown(instrument: Instrument, truth: number, seed: number, second: number): number {
  const { share, step } = NATURES[instrument]
  const own = 2 * draw(seed) - 1
  const flicker = 2 * draw(seed + Math.floor(second) + 1) - 1
  const value = truth * (1 + 0.7 * share * own + 0.3 * share * flicker)
  return Number((Math.round(value / step) * step).toFixed(3))
}
