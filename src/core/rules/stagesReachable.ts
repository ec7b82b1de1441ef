import { intentOf, targetsOf } from '../query'
import { placedByRef, splitRef, type Installation } from '../installation'
import type { CoverageRule } from './rule'

const staged = (inst: Installation) =>
  targetsOf(inst).filter(
    (t) =>
      (t.making.what === 'compressor' || t.making.what === 'burner') && used(inst, t.ref, t.making.stage),
  )

/** A furnace told to use one stage is right to leave the other alone. */
function used(inst: Installation, ref: string, stage: number): boolean {
  const placed = placedByRef(inst, splitRef(ref).placed)
  return stage === 1 || !placed || intentOf(placed, 'backupStages') !== '1'
}

/** Every compressor and burner stage runs on some call. */
export const stagesReachable: CoverageRule<'stagesReachable', 'burnerNever' | 'stageNever'> = {
  id: 'stagesReachable',
  scope: 'coverage',
  severity: 'wrong',
  codes: ['burnerNever', 'stageNever'],
  applies: (inst) => staged(inst).length > 0,
  overall: ({ inst, everRan, calls }) =>
    staged(inst)
      .filter((t) => !everRan.has(t.ref))
      .map((t) => ({
        at: t.ref,
        code: t.making.what === 'burner' ? 'burnerNever' : 'stageNever',
        call: calls[calls.length - 1] ?? 'off',
      })),
}
