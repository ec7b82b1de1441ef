export {
  commonOf,
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
  withSettings,
  type Cable,
  type Installation,
  type Placed,
  type SettingChange,
  type Wire,
} from './installation'
export { UNKNOWN_SITE, type JobSeen, type Site } from './site'
export { isRef, makeRef, splitRef, wireRef, type Name, type Point, type Ref } from './ref'
