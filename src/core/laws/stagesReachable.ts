import { targetsOf } from '../explain'
import { intentOf } from './jobFacts'
import { placedByRef, splitRef, type Installation } from '../installation'
import type { Law } from './law'

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
export const stagesReachable: Law = {
  id: 'stagesReachable',
  severity: 'wrong',
  applies: (inst) => staged(inst).length > 0,
  overall: ({ inst, everRan, calls }) =>
    staged(inst)
      .filter((t) => !everRan.has(t.ref))
      .map((t) => ({
        at: t.ref,
        what: t.making.what === 'burner' ? 'burnerNever' : 'stageNever',
        call: calls[calls.length - 1] ?? 'off',
      })),
}
