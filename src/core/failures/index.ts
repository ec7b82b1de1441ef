export { diagnose, type Diagnosis, type MeterAnswer, type MeterPoint, type Symptom } from './diagnose'
export { singleFailures, type Effect, type EffectKind } from './effects'
export { failedModes, failuresOf, withFailure, type Failure } from './failure'
