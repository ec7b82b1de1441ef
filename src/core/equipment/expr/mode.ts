import type { EvalContext } from './evalContext'
import { truth, type Truth } from './truth'

/** True while a mode of the device (what time and events do: a timer, a defrost, a hot limit) is in one of the named states. */
export interface ModeLeaf {
  mode: string
  is: string[]
}
export interface ModeBecause {
  kind: 'mode'
  mode: string
  state: string
  wants: string[]
}

export const modeLeaf = {
  evaluate: (leaf: ModeLeaf, context: EvalContext): Truth => truth(leaf.is.includes(context.mode(leaf.mode))),
  explain: (leaf: ModeLeaf, context: EvalContext): ModeBecause => ({
    kind: 'mode',
    mode: leaf.mode,
    state: context.mode(leaf.mode),
    wants: leaf.is,
  }),
  breakpoints: (): number[] => [],
}
