import type { Intent } from '../equipment'
import { defaultOf, splitRef, type JobSeen } from '../installation'
import { settingsWith } from '../query'
import { breach, hasIntent } from './breach'
import type { JobRule } from './rule'

type Answers = JobSeen['answers']

/** Reason to change each of an inverter board's own settings; without a complaint the factory default stays. */
const FOR: Partial<Record<Intent, (a: Answers) => boolean>> = {
  earlyDefrost: (a) => a.climate === 'humidCool',
  longDefrost: (a) => a.climate === 'humidCool',
  capacityDrift: (a) => a.zoned === 'yes' || a.complaint === 'humidity' || a.complaint === 'weakHeat',
  boost: (a) => a.complaint === 'humidity' || a.complaint === 'weakHeat',
}
const INTENTS = Object.keys(FOR) as Intent[]

/** Capacity drift, boost, early and long defrost away from factory with nothing recorded that asks for it. */
export const factorySettings: JobRule<'factorySettings', 'factoryLeft'> = {
  id: 'factorySettings',
  scope: 'job',
  severity: 'warn',
  codes: ['factoryLeft'],
  applies: hasIntent(...INTENTS),
  asksSite: true,
  find: ({ inst, answers }) =>
    INTENTS.flatMap((intent) =>
      FOR[intent]?.(answers)
        ? []
        : settingsWith(inst, intent).flatMap(({ at, placed, value }) => {
            const moved = value !== null && value !== defaultOf(placed, splitRef(at).id)
            return moved ? breach('factoryLeft', [at]) : []
          }),
    ),
}
