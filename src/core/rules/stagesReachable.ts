import { intentOf, targetsOf, type Target } from '../query'
import { placedByRef, splitRef, type Installation } from '../installation'
import type { Call } from '../equipment'
import type { CoverageRule } from './rule'

const staged = (inst: Installation) =>
  targetsOf(inst).filter(
    (t) =>
      t.does.what === 'humidifier' ||
      ((t.does.what === 'compressor' || t.does.what === 'burner') && used(inst, t.ref, t.does.stage)),
  )

/** A furnace told to use one stage is right to leave the other alone. */
function used(inst: Installation, ref: string, stage: number): boolean {
  const placed = placedByRef(inst, splitRef(ref).placed)
  return stage === 1 || !placed || intentOf(placed, 'backupStages') !== '1'
}

type Code = 'burnerNever' | 'stageNever' | 'humidifierNever'
const codeOf = ({ does }: Target): Code =>
  does.what === 'burner' ? 'burnerNever' : does.what === 'humidifier' ? 'humidifierNever' : 'stageNever'

/** The calls that a compressor's stage is there for. */
const COMPRESSOR_CALLS: readonly (readonly Call[])[] = [
  ['heat1', 'cool1'],
  ['heat2', 'cool2', 'heat1', 'cool1'],
]

/** The call in which somebody would look for it: emergency heat is none that brings a compressor. */
function askedIn({ does }: Target, calls: readonly Call[]): Call {
  const wanted = does.what === 'compressor' ? (COMPRESSOR_CALLS[does.stage - 1] ?? []) : []
  return wanted.find((c) => calls.includes(c)) ?? calls[calls.length - 1] ?? 'off'
}

/** Every compressor and burner stage runs on some call, and a humidifier does. */
export const stagesReachable: CoverageRule<'stagesReachable', Code> = {
  id: 'stagesReachable',
  scope: 'coverage',
  severity: 'wrong',
  codes: ['burnerNever', 'stageNever', 'humidifierNever'],
  applies: (inst) => staged(inst).length > 0,
  overall: ({ inst, everRan, calls }) =>
    staged(inst)
      .filter((t) => !everRan.has(t.ref))
      .map((t) => ({
        at: t.ref,
        code: codeOf(t),
        call: askedIn(t, calls),
      })),
}
