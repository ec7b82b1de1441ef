import { controlFields } from './control'
import type { KindRow } from './row'

export const relay: KindRow = {
  traits: ['isolates', 'farFromCoil', 'optional'],
  plate: controlFields,
  column: 1,
  inJob: { ref: 'relay' },
}
