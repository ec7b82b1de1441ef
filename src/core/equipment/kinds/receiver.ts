import { controlFields } from './control'
import type { KindRow } from './row'

export const receiver: KindRow = {
  traits: ['receivesOnPair', 'optional'],
  plate: controlFields,
  column: 1,
  usualBreakerA: 15,
  inJob: { ref: 'receiver', where: 'beside' },
  form: [],
}
