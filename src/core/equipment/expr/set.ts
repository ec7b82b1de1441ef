import type { Unknowable, Value } from '../value'
import type { EvalContext } from './evalContext'
import { truth, type Truth } from './truth'

/** True while a setting of the device is one of the named values; unknown while the setting is. */
export interface SetLeaf {
  set: string
  is: Value[]
}
export interface SetBecause {
  kind: 'set'
  setting: string
  value: Unknowable<Value>
  wants: Value[]
}

export const setLeaf = {
  evaluate(leaf: SetLeaf, context: EvalContext): Truth {
    const value = context.setting(leaf.set)
    return value === null ? 'unknown' : truth(leaf.is.includes(value))
  },
  explain: (leaf: SetLeaf, context: EvalContext): SetBecause => ({
    kind: 'set',
    setting: leaf.set,
    value: context.setting(leaf.set),
    wants: leaf.is,
  }),
  breakpoints: (): number[] => [],
}
