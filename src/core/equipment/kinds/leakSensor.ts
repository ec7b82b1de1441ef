import { controlFields } from './control'
import type { KindRow } from './row'

export const leakSensor: KindRow = {
  traits: ['feelsLeak', 'optional'],
  plate: controlFields,
  column: 1,
  inJob: { ref: 'leak' },
}
