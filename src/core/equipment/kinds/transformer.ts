import { transformerFields } from './control'
import type { KindRow } from './row'

export const transformer: KindRow = {
  traits: ['addsTransformer', 'optional'],
  plate: transformerFields,
  column: 1,
  inJob: { ref: 'xfmr' },
}
