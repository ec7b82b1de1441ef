export { runningBy, unknownsBehindVolts, variantsOf } from './knownWays'
export { expectations, liveness, type DeviceExpectations, type Expectation } from './expectation'
export { closedInstead, terminalVolts, wireState, type TerminalVolts } from './liveTerminals'
export { readingHistory, type ReadingLine } from './history'
export { judge } from './judge'
export type { CardKind, OutdoorLook, TestCard, TestStep, Today } from './testCard'
export { testPlan } from './testPlan'
export { runSummary, type RunSummary } from './runSummary'
export { CARD_STATES, dayF, FRESH_PROGRESS, type CardMark, type CardState, type Progress } from './progress'
export {
  SIMPLE_CAUSES,
  type BandBasis,
  type Cause,
  type Rule,
  type SimpleCause,
  type Verdict,
} from './verdict'
export { lockOutList, type Cabinet, type Supply } from './lockOut'
export { sameState, currentReadings, supersededBy, type Reading } from './reading'
export { lineVoltsFor } from './lineVolts'
