import { controlFields } from './control'
import { SWITCH } from './forms'
import type { KindRow } from './row'

export const floatSwitch: KindRow = {
  traits: ['feelsWater', 'optional'],
  plate: controlFields,
  column: 1,
  inJob: { ref: 'float' },
  form: SWITCH,
}
