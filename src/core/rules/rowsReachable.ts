import { targetsOf } from '../query'
import { wantsBackup } from '../equipment'
import type { CoverageRule } from './rule'

/** Every row of strips heats in some reachable state. */
export const rowsReachable: CoverageRule<'rowsReachable', 'rowNever'> = {
  id: 'rowsReachable',
  scope: 'coverage',
  severity: 'wrong',
  codes: ['rowNever'],
  applies: (inst) => targetsOf(inst).some((t) => t.does.what === 'strip'),
  overall({ inst, everRan, calls }) {
    const call = calls.find(wantsBackup) ?? calls[calls.length - 1] ?? 'off'
    return targetsOf(inst)
      .filter((t) => t.does.what === 'strip' && !everRan.has(t.ref))
      .map((t) => ({ at: t.ref, code: 'rowNever', call }))
  },
}
