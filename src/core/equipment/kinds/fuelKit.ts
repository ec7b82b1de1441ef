import { controlFields } from './control'
import type { KindRow } from './row'

export const fuelKit: KindRow = {
  traits: ['switchesFuel', 'farFromCoil', 'onGlance', 'optional'],
  plate: controlFields,
  column: 0,
  inJob: { ref: 'fuelkit' },
}
