import { controlFields } from './control'
import type { KindRow } from './row'

export const humidifier: KindRow = {
  traits: ['humidifies', 'optional'],
  plate: controlFields,
  column: 0,
  inJob: { ref: 'humid' },
}
