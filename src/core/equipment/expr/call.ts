import type { Call } from '../call'
import type { EvalContext } from './evalContext'
import { truth, type Truth } from './truth'

/** True while one of the named demands is made. */
export interface CallLeaf {
  call: Call[]
}
export interface CallBecause {
  kind: 'call'
  call: Call
  wants: Call[]
}

export const callLeaf = {
  evaluate: (leaf: CallLeaf, context: EvalContext): Truth => truth(leaf.call.includes(context.call)),
  explain: (leaf: CallLeaf, context: EvalContext): CallBecause => ({
    kind: 'call',
    call: context.call,
    wants: leaf.call,
  }),
  breakpoints: (): number[] => [],
}
