import type { Unknowable, Value } from '@/core/equipment'
import { makeRef, settingValue, type Placed } from '@/core/installation'
import type { SetupSeen } from '@/core/setup'
import { installationOf, type Job } from './job'

/**
 * What is known to stand on a placed device: as left today where that is no longer what is wanted, as found today, or as
 * the maker set it where it is new from its box; what nobody has looked at is left out.
 */
export function onDevice(job: Job, placed: Placed): Record<string, Unknowable<Value>> {
  const { keyed, interview } = job.setup
  return Object.fromEntries(
    placed.device.settings.flatMap((s) => {
      const k = keyed[makeRef(placed.ref, s.id)]
      // What was keyed today and still is what is wanted keeps its line, ticked.
      const note = k?.left && k.left.value !== settingValue(placed, s.id) ? k.left : k?.found
      if (note) return [[s.id, note.value] as const]
      return interview[`box-${placed.ref}`] === 'yes' ? [[s.id, s.default] as const] : []
    }),
  )
}

/** What the conflicts of a job are looked for in. */
export const setupSeen = (job: Job): SetupSeen => ({
  inst: installationOf(job),
  answers: job.setup.interview,
  tested: job.readings.length > 0,
})
