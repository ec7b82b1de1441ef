import type { Sight } from './sight'
import type { Truth } from './truth'

/** True while one of the device's own coils (a load part) is energised. */
export interface EnergisedLeaf {
  energised: string
}
export interface EnergisedBecause {
  kind: 'energised'
  part: string
}

export const energisedLeaf = {
  evaluate: (leaf: EnergisedLeaf, sight: Sight): Truth => sight.energised(leaf.energised),
  explain: (leaf: EnergisedLeaf): EnergisedBecause => ({ kind: 'energised', part: leaf.energised }),
  cuts: (): number[] => [],
}
