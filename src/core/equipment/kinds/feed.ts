import { electricalFields } from './electrical'
import type { KindRow } from './row'

export const feed: KindRow = {
  traits: ['feedsLine'],
  plate: electricalFields,
  column: null,
  inJob: { ref: 'feed', where: 'panel' },
}
