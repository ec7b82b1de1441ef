import { MOST_OFF_MS } from '@/jobfile'

/**
 * The time by the server's clock. A device's own may be a year off; the server says its time with every answer. What was
 * stamped before that is corrected by the server, to which each edit says how its time came about.
 */
let offMs = 0
const listeners = new Set<() => void>()

/** ms by which the server's clock is ahead of this device's; 0 while they agree to two minutes, or nothing is known. */
export const clockOff = (): number => offMs
export const onClock = (listener: () => void): (() => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}
/** Now, by the clock that is trusted. */
export const now = (): Date => new Date(Date.now() + offMs)

/**
 * Learns from an answer what time the server has.
 * @param date its Date header, of whole seconds
 * @param beganMs when the request began, by this device's clock
 */
export function learnClock(date: string | null, beganMs: number): void {
  const said = date === null ? NaN : Date.parse(date) + 500
  if (Number.isNaN(said)) return
  const off = said - (beganMs + Date.now()) / 2
  const next = Math.abs(off) > MOST_OFF_MS ? Math.round(off) : 0
  // A second more or less is the header's own.
  if (Math.abs(next - offMs) < 2000) return
  offMs = next
  for (const l of listeners) l()
}
