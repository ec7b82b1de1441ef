import type { Known, Value } from '../value'
import type { Sight } from './sight'
import { truth, type Truth } from './truth'

/** True while a setting of the device is one of the named values; unknown while the setting is. */
export interface SetLeaf {
  set: string
  is: Value[]
}
export interface SetBecause {
  kind: 'set'
  setting: string
  value: Known<Value>
  wants: Value[]
}

export const setLeaf = {
  evaluate(leaf: SetLeaf, sight: Sight): Truth {
    const value = sight.setting(leaf.set)
    return value === null ? 'unknown' : truth(leaf.is.includes(value))
  },
  explain: (leaf: SetLeaf, sight: Sight): SetBecause => ({
    kind: 'set',
    setting: leaf.set,
    value: sight.setting(leaf.set),
    wants: leaf.is,
  }),
  cuts: (): number[] => [],
}
