import { feltLeaves, feltPoint, type Felt } from '../equipment'
import { settingIn, type JobSeen } from '../installation'
import { modesOf } from '../situation'

/** The temperatures at which some mode of the job goes its way. */
export function thresholdsOf(seen: JobSeen): { what: Felt; at: number }[] {
  const found = new Map<string, { what: Felt; at: number }>()
  for (const { placed, mode } of modesOf(seen.inst))
    for (const t of mode.transitions ?? [])
      for (const leaf of [...feltLeaves(t.when), ...feltLeaves(t.reset)]) {
        const at = feltPoint(leaf, (id) => settingIn(seen.inst, placed, id))
        if (at !== null) found.set(`${leaf.feels} ${at}`, { what: leaf.feels, at })
      }
  return [...found.values()]
}
