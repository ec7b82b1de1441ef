import type { Sight } from './sight'
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
  evaluate: (leaf: ModeLeaf, sight: Sight): Truth => truth(leaf.is.includes(sight.mode(leaf.mode))),
  explain: (leaf: ModeLeaf, sight: Sight): ModeBecause => ({
    kind: 'mode',
    mode: leaf.mode,
    state: sight.mode(leaf.mode),
    wants: leaf.is,
  }),
  cuts: (): number[] => [],
}
