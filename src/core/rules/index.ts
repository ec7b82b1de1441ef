export { factsOf, type Facts } from './facts'
export { applyFix, fixesFor, type Change, type Fix } from './fix'
export { jobFindings, allSteps, proofSteps, prove } from './prove'
export { resultOf, type RuleResult } from './result'
export { RULES, type RuleCode, type RuleId } from './registry'
export type {
  Breach,
  Coverage,
  CoverageRule,
  Finding,
  JobRule,
  Proof,
  Rule,
  Severity,
  StateRule,
  StateSeen,
  Undecided,
} from './rule'
export { findingKey } from './rule'
export { stateSeen } from './seen'
export { SITE_RULES, withSite } from './withSite'
export { stripsNeverTogether } from './neverTogether'
