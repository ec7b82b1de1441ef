import { amountOf } from '../equipment'
import { settingIn, type Installation, type JobSeen, type Placed } from '../installation'
import { defrostStarts } from '../query'
import { modesOf } from '../situation'
import type { OutsideEvent } from '../time'
import { feedEvents } from './power'
import { COIL_JUMPER } from './siteFault'

const MINUTE = 60
/** s of a run after which the coil is cold enough for its board to count. */
const COLD_AFTER = 10 * MINUTE
/** s for which pins are held longer than it takes. */
const HELD_LONGER = 5
/** s that somebody looks at a defrost on a mild day, and that the power is off then to take the jumper out. */
const LOOKED_AT = 2 * MINUTE
const POWER_OFF = MINUTE
/** °F outdoors above which a coil does not get cold enough to close its thermostat: 10 to 12 °F under the air (trade). */
export const MILD_F = 40

/** How a board's defrost is forced: by pins that shorten its interval, or by its own test. */
type Forced =
  | { way: 'pins'; device: Placed; times: number; seconds: number }
  | { way: 'test'; device: Placed; mode: OutsideEvent & { mode: unknown } }

/** The way in which a defrost of this job is forced; null: no board of it says how. */
export function forcedBy(inst: Installation): Forced | null {
  for (const { ref, placed, mode } of modesOf(inst)) {
    const defrost = mode.states.find((s) => s.condition === 'defrost')
    if (!defrost) continue
    // A thermistor is never jumpered: the board has a test of its own.
    if (defrostStarts(placed).has('demand'))
      return { way: 'test', device: placed, mode: { at: COLD_AFTER, mode: ref, state: defrost.id } }
    const times = placed.device.plate.speedUp
    const begins = mode.transitions?.find((t) => t.accumulates && t.to === defrost.id)
    const seconds = begins && amountOf(begins.after ?? 0, (id) => settingIn(inst, placed, id))
    if (times && seconds) return { way: 'pins', device: placed, times, seconds }
  }
  return null
}

/**
 * Events of a person who forces a defrost, from the start of a call. In cold weather the pins are enough. On a mild day
 * the coil's thermostat is jumpered first, with the power off. After the defrost was seen the power goes off again and
 * the jumper comes out at once: with it in, only the board's time ends the defrost.
 * @param outdoorF °F of the day
 */
export function forcesDefrost(seen: JobSeen, outdoorF: number): OutsideEvent[] {
  const forced = forcedBy(seen.inst)
  if (!forced) return []
  if (forced.way === 'test') return [forced.mode]
  const device = forced.device.ref
  const letGo = COLD_AFTER + Math.ceil(forced.seconds / forced.times) + HELD_LONGER
  const pins: OutsideEvent[] = [
    { at: COLD_AFTER, device, faster: forced.times },
    { at: letGo, device, faster: 1 },
  ]
  if (outdoorF <= MILD_F) return pins
  const off = letGo + LOOKED_AT
  return [
    { at: 0, site: COIL_JUMPER },
    ...pins,
    ...feedEvents(seen, off, 'off'),
    { at: off + POWER_OFF / 2, site: '' },
    ...feedEvents(seen, off + POWER_OFF, 'on'),
  ]
}
