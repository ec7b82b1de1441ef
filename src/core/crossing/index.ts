export { balanceOf, breakEven, kitKwAt, smallestKit, type BreakEven, type DownTo } from './balance'
export { crossingOf, type Crossing, type MissingInput } from './crossing'
export {
  circuitWith,
  gateChanges,
  newFindings,
  type CrossingGate,
  type CrossingGates,
  type GateIntent,
} from './gates'
export type { HoursOfYear } from './hours'
export { kitAdvice, type KitAdvice } from './kitAdvice'
export { cfmAt, heatersOf, plantOf, plateOf, tableCfm, type Plant } from './plant'
export { kwAt } from './unitCurve'
export type { StageCurve } from './stageCurve'
export {
  auxGate,
  breakEvenGate,
  recommendSchool,
  schoolYears,
  type RecommendedSchool,
  type RecommendReason,
  type SchoolYear,
} from './schools'
export {
  FIRST_FIRE,
  sharingAt,
  sharingOf,
  type CallLevel,
  type Sharing,
  type SharingStretch,
} from './sharing'
export { STRATEGIES, STRATEGY_INTENTS, type Strategy } from './strategies'
export { runningCapacity, type UnitCurve } from './unitCurve'
export { crossingView, DRAWN, type CrossingCurve, type CrossingView, type Share } from './view'
export type { HouseAt, Sums, Year } from './year'
