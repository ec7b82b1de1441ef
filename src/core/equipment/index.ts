export { CALLS, isCooling, isHeatPumpHeating, wantsBackup, type Call } from './call'
export {
  INTENTS,
  normalState,
  type Device,
  type DeviceKind,
  type Intent,
  type Mode,
  type Setting,
  type Terminal,
  type TerminalRole,
} from './device'
export {
  breakpoints,
  evaluate,
  evaluateLeaf,
  explain,
  leaves,
  type Because,
  type Expr,
  type Leaf,
} from './expr/expr'
export type { ModeCondition } from './condition'
export { memoryId, type SenseLeaf } from './expr/sense'
export type { EvalContext } from './expr/evalContext'
export type { Truth } from './expr/truth'
export {
  EARTH,
  type Ahead,
  type BlowerSpeed,
  type ContactPart,
  type Gate,
  type LoadPart,
  type LoadFunction,
  type Part,
  type PathPart,
  type SourcePart,
  type TransformerPart,
} from './part'
export type { Unknowable, Quantity, Value } from './value'
export type { ItemCode, Profile, ProfileItem, ProfileStyle } from './profile'
