import { controlFields } from './control'
import type { KindRow } from './row'

export const sender: KindRow = {
  traits: ['sendsOnPair', 'optional'],
  plate: controlFields,
  column: 0,
  inJob: { ref: 'sender', where: 'inside wall' },
}
