import type { Unknowable, Value } from '@/core/equipment'
import {
  defaultOf,
  makeRef,
  settingValue,
  type Installation,
  type JobSeen,
  type Placed,
} from '@/core/installation'
import { installationOf } from './document'
import type { Job } from './sections/registry'

/**
 * The last known settings of a placed device: as left today where that is no longer the target, as found today, or as
 * the maker set it where it is new from its box; what nobody has looked at is left out.
 */
export function onDevice(job: Job, placed: Placed): Record<string, Unknowable<Value>> {
  const { keyed } = job.setup
  const plate = job.commissioning.plates[placed.ref]
  return Object.fromEntries(
    placed.device.settings.flatMap((s) => {
      const k = keyed[makeRef(placed.ref, s.id)]
      // A value that was keyed in today and is still the target keeps its line, ticked.
      const note = k?.left && k.left.value !== settingValue(placed, s.id) ? k.left : k?.found
      if (note) return [[s.id, note.value] as const]
      return plate?.newFromBox ? [[s.id, defaultOf(placed, s.id) ?? s.default] as const] : []
    }),
  )
}

/** A job as rules about the whole of it see it. */
export const jobSeen = (job: Job, inst: Installation = installationOf(job)): JobSeen => ({
  inst,
  answers: job.setup.interview,
  plates: job.commissioning.plates,
  staticInWc: job.commissioning.air.staticInWc ?? null,
  prices: job.prices,
  house: job.house,
  climate: job.house.climate ?? null,
  tested: job.readings.length > 0,
})
