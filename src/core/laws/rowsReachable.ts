import { wantsBackup } from '../equipment'
import { targetsOf } from '../explain'
import type { Law } from './law'

/** Every row of strips heats in some reachable state. */
export const rowsReachable: Law = {
  id: 'rowsReachable',
  severity: 'wrong',
  applies: (inst) => targetsOf(inst).some((t) => t.making.what === 'strip'),
  overall({ inst, everRan, calls }) {
    const call = calls.find(wantsBackup) ?? calls[calls.length - 1] ?? 'off'
    return targetsOf(inst)
      .filter((t) => t.making.what === 'strip' && !everRan.has(t.ref))
      .map((t) => ({ at: t.ref, what: 'rowNever', call }))
  },
}
