import { wantsBackup } from '../equipment'
import type { Installation, Ref } from '../installation'
import { targetsOf } from '../query'
import { conditionsOf, type Situation } from '../situation'
import type { Scene } from './scenes'
import type { TapeStep } from './tape'
import type { Sample } from './input'

/** A load that a scene should have run and did not, with the operating state in which its gate chain says why. */
export interface SceneNote {
  why: 'noDefrost' | 'noBackup'
  load: Ref
  situation: Situation
  /** °F outdoors: the situation has one for all that the job answers alike to. */
  outdoorF: number
}

/** °F under its setpoint from which a room counts as left cold; °F in the last hour from which it counts as cooling. */
const COLD_BY_F = 2
const COOLS_BY_F = 0.05
const HOUR = 3600

/**
 * Expected events that did not happen in a run: a forced defrost, backup that was called while the house cooled down.
 */
export function sceneNotes(
  inst: Installation,
  scene: Scene,
  steps: readonly Pick<TapeStep, 'situation' | 'running'>[],
  samples: readonly Sample[],
): SceneNote[] {
  const targets = targetsOf(inst)
  const first = (...what: string[]): Ref | undefined => targets.find((t) => what.includes(t.does.what))?.ref
  const notes: SceneNote[] = []
  const compressor = first('compressor')
  const defrosts = steps.some((s) => conditionsOf(inst, s.situation).has('defrost'))
  const called = steps.find((s) => s.situation.call !== 'off')
  if (scene === 'forcedDefrost' && !defrosts && compressor && called)
    notes.push({
      why: 'noDefrost',
      load: compressor,
      situation: called.situation,
      outdoorF: samples[0]?.outdoorF ?? called.situation.outdoorF,
    })
  const [last, air] = [steps[steps.length - 1], samples[samples.length - 1]]
  const backup = first('strip', 'burner')
  if (!last || !air || !backup || air.roomF > air.targetF - COLD_BY_F) return notes
  // A room that is on its way up needs no backup.
  const before = samples.findLast((s) => s.at <= air.at - HOUR)
  if (!before || air.roomF > before.roomF - COOLS_BY_F) return notes
  const isOn = targets.some((t) => ['strip', 'burner'].includes(t.does.what) && last.running.includes(t.ref))
  if (wantsBackup(last.situation.call) && !isOn)
    notes.push({ why: 'noBackup', load: backup, situation: last.situation, outdoorF: air.outdoorF })
  return notes
}
