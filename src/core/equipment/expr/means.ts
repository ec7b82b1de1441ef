import type { ModeCondition } from '../condition'
import type { EvalContext } from './evalContext'
import { truth, type Truth } from './truth'

/** True while some device of the job is in a mode that means this: what a switch in the air or the refrigerant feels. */
export interface MeansLeaf {
  means: ModeCondition
}
export interface MeansBecause {
  kind: 'means'
  means: ModeCondition
}

export const meansLeaf = {
  evaluate: (leaf: MeansLeaf, context: EvalContext): Truth => truth(context.means(leaf.means)),
  explain: (leaf: MeansLeaf): MeansBecause => ({ kind: 'means', means: leaf.means }),
  breakpoints: (): number[] => [],
}
