export {
  cardSituation,
  expectations,
  liveness,
  type DeviceExpectations,
  type Expectation,
} from './expectation'
export { judge, type Cause, type Rule, type Verdict } from './judge'
export { rowsOf, serviceVolts, type Row } from './kit'
export { READING_KINDS, standing, type Reading, type ReadingKind, type ReadingPlace } from './reading'
