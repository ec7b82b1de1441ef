import type { EvalContext } from './evalContext'
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
  evaluate: (leaf: EnergisedLeaf, context: EvalContext): Truth => context.energised(leaf.energised),
  explain: (leaf: EnergisedLeaf): EnergisedBecause => ({ kind: 'energised', part: leaf.energised }),
  breakpoints: (): number[] => [],
}
