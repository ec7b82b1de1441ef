export {
  MOST_OPS,
  pushSchema,
  type Envelope,
  type OpResult,
  type PushRequest,
  type PushResponse,
} from './envelope'
export { checkDevice, formatDevice, MOST_DEVICE_BYTES, parseDevice } from './deviceFile'
export { checkJob, formatJob, MOST_BYTES, parseJob } from './file'
export { installationOf, JOB_VERSION, upgradeJob, type Job, type PlacedEntry } from './job'
export { jsonSchemaOf, publish } from './jsonSchema'
export { list, record, shape } from './kit'
export type { JobListEntry, Summary } from './listing'
export { apply, clash, FIELDS, inverse, pathOf, type Field, type Operation } from './operation'
export { fixOperations } from './fixOps'
export { planOperations } from './planOps'
export { check, problem, sentence, type Checked, type Problem } from './problem'
export {
  FRESH_SETUP,
  type Keyed,
  type Note,
  type Setup,
  type Temporary,
  type ValueSource,
  type Visit,
} from './setup'
export type { SetupOperation } from './setupOps'
export { onDevice, setupSeen } from './onDevice'
