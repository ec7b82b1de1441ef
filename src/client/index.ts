export { JobStore } from './JobStore'
export { openLive, type Heard, type Live } from './live'
export { browserQueue, memoryQueue, type QueueStorage, type ConflictedOp, type OnDeviceJob } from './queue'
export { clockOff, now, onClock } from './clock'
export { addJob } from './addJob'
export { moveJob } from './moveJob'
export {
  ask,
  httpTransport,
  proofOf,
  linesOf,
  type Answered,
  type NotDone,
  type Transport,
} from './transport'
export type { EditHow, JobView, StoreNeeds, TabMessage } from './view'
