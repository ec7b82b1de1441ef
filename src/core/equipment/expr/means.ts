import type { ModeMeaning } from '../meaning'
import type { Sight } from './sight'
import { truth, type Truth } from './truth'

/** True while some device of the job is in a mode that means this: what a switch in the air or the refrigerant feels. */
export interface MeansLeaf {
  means: ModeMeaning
}
export interface MeansBecause {
  kind: 'means'
  means: ModeMeaning
}

export const meansLeaf = {
  evaluate: (leaf: MeansLeaf, sight: Sight): Truth => truth(sight.means(leaf.means)),
  explain: (leaf: MeansLeaf): MeansBecause => ({ kind: 'means', means: leaf.means }),
  cuts: (): number[] => [],
}
