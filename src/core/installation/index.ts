export {
  defaultOf,
  holdsBySettings,
  placedByRef,
  quantity,
  settingDef,
  settingIn,
  settingsContext,
  settingValue,
  terminalOf,
  wireSize,
  type Cable,
  type Installation,
  type Placed,
  type Wire,
} from './installation'
export { UNKNOWN_SITE, type JobSeen, type Site } from './site'
export { isRef, makeRef, splitRef, wireRef, type Name, type Point, type Ref } from './ref'
