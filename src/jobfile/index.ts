export {
  MOST_OPS,
  pushSchema,
  upgradeEnvelope,
  upgradePush,
  type Envelope,
  type OpResult,
  type PushRequest,
  type PushResponse,
} from './envelope'
export { freshParts, installationOf, storedJob, upgradeJob, upgradeOperation } from './document'
export { checkDevice, formatDevice, MOST_DEVICE_BYTES, parseDevice } from './deviceFile'
export { csvOf } from './csv'
export { cut } from './cut'
export { onServerClock } from './deviceClock'
export { MOST_OFF_MS } from './mostOff'
export { readJson } from './jsonText'
export { checkJob, formatJob, MOST_BYTES, parseJob } from './file'
export { formatReadings, parseReadings } from './readingsFile'
export { ShopFileError, shopItems, shopText, type Imported, type ShopItem, type ShopReport } from './shopFile'
export { jsonSchemaOf, publish } from './jsonSchema'
export { list, MOST_ID, named, optional, record, shape } from './schemaKit'
export {
  LIST_PART,
  LIST_START,
  needsYou,
  ORDERS,
  SHELVES,
  STATES,
  statesOf,
  type Deletion,
  type JobListEntry,
  type JobKnown,
  type JobProof,
  type JobListing,
  type JobOrder,
  type JobState,
  type ListAsked,
  type Shelf,
  type Summary,
} from './listing'
export {
  apply,
  batched,
  clash,
  clashAt,
  inverse,
  OPERATION_KINDS,
  partsOf,
  pathsOf,
  type Batch,
  type Operation,
} from './operation'
export { fixOperations } from './fixOps'
export { planOperations } from './planOps'
export { check } from './check'
export { isRaw, problem, sentence, type Checked, type Problem } from './problem'
export { restorable, type Restore, type RestoreChange } from './restore'
export { MOST_CHARACTERS, type Field } from './sections/about'
export { FRESH_COMMISSIONING, type Commissioning } from './sections/commissioning'
export type { PlacedEntry } from './sections/gear'
export { SIGNER_ROLES, type Handover, type Signature, type SignerRole } from './sections/handover'
export { JOB_VERSION, type Job, type SectionOperation } from './sections/registry'
export {
  TEMPORARY_KINDS,
  type Keyed,
  type Note,
  type Setup,
  type Temporary,
  type TemporaryKind,
  type ValueSource,
  type Visit,
} from './sections/setup/setupSchema'
export { jobFindingsOf, judgedReadings, proofOf, verdictOf, wrongReadings } from './derived'
export { JobAnalysis } from './JobAnalysis'
export { jobSeen, onDevice } from './onDevice'
export { signedState } from './signedState'
export { DEVICE_VERSION, upgradeDevice } from './upgradeDevice'
export { parseWeather, readWeather } from './weatherFile'
