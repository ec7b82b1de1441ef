import type { Call } from '../call'
import type { Sight } from './sight'
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
  evaluate: (leaf: CallLeaf, sight: Sight): Truth => truth(leaf.call.includes(sight.call)),
  explain: (leaf: CallLeaf, sight: Sight): CallBecause => ({
    kind: 'call',
    call: sight.call,
    wants: leaf.call,
  }),
  cuts: (): number[] => [],
}
