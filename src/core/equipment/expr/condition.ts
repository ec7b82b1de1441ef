import type { ModeCondition } from '../condition'
import type { EvalContext } from './evalContext'
import { truth, type Truth } from './truth'

/** True while some device of the job is in a mode that means this: what a switch in the air or the refrigerant feels. */
export interface ConditionLeaf {
  condition: ModeCondition
}
export interface ConditionBecause {
  kind: 'condition'
  condition: ModeCondition
}

export const conditionLeaf = {
  evaluate: (leaf: ConditionLeaf, context: EvalContext): Truth => truth(context.condition(leaf.condition)),
  explain: (leaf: ConditionLeaf): ConditionBecause => ({ kind: 'condition', condition: leaf.condition }),
  breakpoints: (): number[] => [],
}
