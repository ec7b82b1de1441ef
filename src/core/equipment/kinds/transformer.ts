import { transformerFields } from './control'
import type { KindRow } from './row'

export const transformer: KindRow = {
  traits: ['addsTransformer', 'optional'],
  plate: transformerFields,
  column: 1,
  usualBreakerA: 15,
  inJob: { ref: 'xfmr', where: 'beside' },
  form: [],
}
