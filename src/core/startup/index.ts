export {
  cardSituation,
  expectations,
  liveness,
  type DeviceExpectations,
  type Expectation,
} from './expectation'
export { judge } from './judge'
export { CARD_STATES, FRESH_PROGRESS, type CardMark, type CardState, type Progress } from './progress'
export type { Cause, Rule, Verdict } from './verdict'
export { lockOutList, type Cabinet, type Supply } from './lockOut'
export { READING_KINDS, standing, type Reading, type ReadingKind, type ReadingPlace } from './reading'
