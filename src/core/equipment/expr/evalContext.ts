import type { DegF } from '../../units'
import type { Call } from '../call'
import type { ModeCondition } from '../condition'
import type { Unknowable, Value } from '../value'
import type { Truth } from './truth'

/** Values that an expression of one placed device may read. */
export interface EvalContext {
  call: Call
  outdoorF: DegF
  /** null: the setting is not known yet. */
  setting: (id: string) => Unknowable<Value>
  /** The state a mode of this device is in. */
  mode(id: string): string
  /** Whether any device of the job is in a mode that means this. */
  condition(meaning: ModeCondition): boolean
  /** Whether one of the device's own coils is energised. */
  energised(part: string): Truth
  /** Last change of a switch that is inside its differential; null: unknown. */
  memory(id: string): 'made' | 'broken' | null
}
