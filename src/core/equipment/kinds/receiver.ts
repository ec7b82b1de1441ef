import { controlFields } from './control'
import type { KindRow } from './row'

export const receiver: KindRow = {
  traits: ['receivesOnPair', 'optional'],
  plate: controlFields,
  column: 1,
  inJob: { ref: 'receiver' },
}
