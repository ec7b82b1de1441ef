export { defrostOutputs } from './defrostOutputs'
export { factsOf, makesHeatAhead, type Facts } from './facts'
export { hasBurner, hasCompressor, hasStrips } from './heatSources'
export { intentOf, isLanded, landedAt, ofKind, settingsWith, terminalsWith, type Found } from './jobFacts'
export {
  type Breach,
  type Coverage,
  type Finding,
  type Law,
  type Proof,
  type Severity,
  type StateSeen,
  type Undecided,
} from './law'
export { applyFix, fixesFor, type Change, type Fix } from './fix'
export { proofSteps, prove } from './prove'
export { LAWS } from './registry'
export { stateSeen } from './seen'
