import { controlFields } from './control'
import type { KindRow } from './row'

export const lineMonitor: KindRow = {
  traits: ['watchesLine', 'optional'],
  plate: controlFields,
  column: 2,
  inJob: { ref: 'monitor', where: 'north wall' },
}
