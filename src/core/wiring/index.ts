export { withDifferences, wiresOf, type Difference } from './differences'
export { type Requirements } from './gear'
export { LINE_PAIRS, pluggedInputs, straightLeads } from './harness'
export { intendedWiring, type IntendedWiring } from './intended'
export { isLandedWire, type LandedWire } from './Landing'
export { firstWith, placeOfDevice, term, terms } from './kinds'
export {
  USUAL,
  WIRING_PRACTICES,
  type Net,
  type PlanSetting,
  type SettingFix,
  type PlanWhy,
  type Unmet,
  type WiringPractice,
} from './net'
export { intendedNets } from './nets'
