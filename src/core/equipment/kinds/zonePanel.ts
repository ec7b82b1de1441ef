import { controlFields } from './control'
import type { KindRow } from './row'

export const zonePanel: KindRow = {
  traits: ['zones', 'farFromCoil', 'optional'],
  plate: controlFields,
  column: 0,
  inJob: { ref: 'zone' },
}
