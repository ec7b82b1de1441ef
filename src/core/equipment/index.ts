export { CALLS, isCooling, isHeatPumpHeating, wantsBackup, type Call } from './call'
export {
  profilesOf,
  INTENTS,
  normalState,
  type Device,
  type Intent,
  type Mode,
  type Setting,
  type Terminal,
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
  DEVICE_KINDS,
  DRAFT_KINDS,
  FORMS,
  hasTrait,
  kindOfDraft,
  kindWith,
  KINDS,
  PLATES,
  type DeviceKind,
  type DraftKind,
  type Trait,
} from './kinds'
export type { OutdoorUnitPlate, Rating } from './kinds/outdoorUnit'
export { SITE_FLAGS, SITE_TEXTS, type Plate, type SitePlate } from './plate'
export { roleRow, rolesOf, TERMINAL_ROLES, type CallFamily, type TerminalRole } from './roles'
export type { PlateField } from './plateField'
export type { DraftField, PlainKey } from './draftField'
export type { DeviceDraft, DraftRow } from './deviceDraft'
