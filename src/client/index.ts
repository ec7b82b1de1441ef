export { JobStore, type JobView, type StoreNeeds } from './JobStore'
export { browserQueue, memoryQueue, type QueueStorage, type ConflictedOp } from './queue'
export { ask, httpTransport, linesOf, type Answered, type Transport } from './transport'
