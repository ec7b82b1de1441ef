export {
  assemble,
  CABLE_COLOURS,
  freeName,
  type CableChoice,
  type Feeds,
  type Piece,
  withLineWork,
} from './assemble'
export { compare, type Difference } from './compare'

export {
  WIRING_PRACTICES,
  USUAL,
  type Unmet,
  type PlanSetting,
  type PlanWhy,
  type WiringPractice,
} from '../wiring'
export { landedBy, planLanding, planned, type Plan } from './plan'
export { type Remedy } from './shortage'
export { practiceFor, openPractices } from './practice'
export { fixesFromPlan } from './planFixes'
