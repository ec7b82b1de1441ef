import { isLanded, having, terminalsWith } from '../query'
import { breach, hasIntent, ownSettings } from './breach'
import type { Breach, JobRule } from './rule'

const STAGES = [
  ['compressorStages', 'Y2'],
  ['backupStages', 'W2'],
] as const

/** As many stages are set as are landed. */
export const stages: JobRule<'stages', 'stageNotLanded' | 'stageNotSet'> = {
  id: 'stages',
  scope: 'job',
  severity: 'wrong',
  codes: ['stageNotLanded', 'stageNotSet'],
  applies: hasIntent('compressorStages', 'backupStages'),
  find: ({ inst }) =>
    having(inst, 'onWall').flatMap((p) =>
      STAGES.flatMap(([intent, role]): Breach<'stageNotLanded' | 'stageNotSet'>[] => {
        const [terminal] = terminalsWith(p, role)
        const [set] = ownSettings(p, intent)
        if (!terminal || !set || set.value === null) return []
        const landed = isLanded(inst, terminal)
        if (set.value === '2' && !landed) return breach('stageNotLanded', [set.at, terminal])
        return set.value === '1' && landed ? breach('stageNotSet', [set.at, terminal]) : []
      }),
    ),
}
