import { controlFields } from './control'
import type { KindRow } from './row'

export const splice: KindRow = {
  traits: ['joinsWires'],
  plate: controlFields,
  column: 1,
  inJob: { ref: 'splice' },
}
