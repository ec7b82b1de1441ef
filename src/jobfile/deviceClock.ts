import { isWhen } from './schemaKit'
import { MOST_OFF_MS } from './mostOff'
import { isRaw } from './problem'
import type { Envelope } from './envelope'

/** ms around an edit's own time within which a time in it was given by the same clock. */
const SAME_CLOCK_MS = 600_000

/**
 * An edit with the times that the device's clock gave it put on the server's clock.
 * @param sentMs the device's clock as the edit was sent; null: it did not say
 * @param receivedMs the server's clock as it came
 * @returns the edit as it is where the two agree to two minutes, and the edit is not of the future
 */
export function onServerClock(envelope: Envelope, sentMs: number | null, receivedMs: number): Envelope {
  const { clock = 0, ...rest } = envelope
  const at = Date.parse(envelope.at)
  const device = at - clock
  const trusted = Math.min(sentMs === null ? at : device + (receivedMs - sentMs), receivedMs)
  if (Math.abs(trusted - at) <= MOST_OFF_MS && Math.abs(trusted - device) <= MOST_OFF_MS) return rest
  const isOf = (ms: number) => Math.abs(ms - at) <= SAME_CLOCK_MS
  const moved = (when: string): string => new Date(Date.parse(when) + trusted - at).toISOString()
  const place = (value: unknown): unknown => {
    if (typeof value === 'string') return isWhen(value) && isOf(Date.parse(value)) ? moved(value) : value
    if (Array.isArray(value)) return value.map(place)
    if (!isRaw(value)) return value
    return Object.fromEntries(Object.entries(value).map(([key, v]) => [key, place(v)]))
  }
  const op = Math.abs(trusted - at) > MOST_OFF_MS ? (place(envelope.op) as Envelope['op']) : envelope.op
  const deviceAt = new Date(device).toISOString()
  return { ...rest, at: moved(envelope.at), deviceAt, op: withDeviceTime(op, trusted - device) }
}

/** A reading keeps what the device's clock said beside the time that is trusted. */
function withDeviceTime(op: Envelope['op'], ms: number): Envelope['op'] {
  if (op.kind === 'batch') return { ...op, ops: op.ops.map((o) => withDeviceTime(o, ms) as typeof o) }
  if (op.kind !== 'takeReading') return op
  const deviceWhen = new Date(Date.parse(op.reading.when) - ms).toISOString()
  return { ...op, reading: { ...op.reading, deviceWhen } }
}
