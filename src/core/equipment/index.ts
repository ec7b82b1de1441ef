export { CALLS, isCooling, isHeatPumpHeating, wantsBackup, type Call } from './call'
export {
  profilesOf,
  INTENTS,
  TERMINAL_ROLES,
  normalState,
  type Device,
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
export { isUnit, meaningsOf, unitOf } from './intentValues'
export type { Demand } from './demand'
export { MODE_CONDITIONS, type ModeCondition } from './condition'
export { memoryId, type SenseLeaf } from './expr/sense'
export type { EvalContext } from './expr/evalContext'
export type { Truth } from './expr/truth'
export {
  amountOf,
  evaluateWhen,
  FELT,
  feltCause,
  feltLeaves,
  feltPoint,
  whenLeaves,
  type Duration,
  type Felt,
  type FeltCause,
  type Transition,
  type TransitionContext,
  type When,
} from './transition'
export {
  BLOWER_SPEEDS,
  EARTH,
  GATES,
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
export {
  PROFILE_STYLES,
  settingsOfItem,
  type ItemCode,
  type Profile,
  type ProfileItem,
  type ProfileStyle,
} from './profile'
export {
  PLATES,
  SITE_FLAGS,
  SITE_TEXTS,
  type Plate,
  type PlateField,
  type OutdoorUnitPlate,
  type Rating,
  type SitePlate,
} from './plates'
export { DEVICE_KINDS, type DeviceKind } from './kind'
export { DRAFT_KINDS, type DeviceDraft, type DraftKind, type DraftRow } from './deviceDraft'
