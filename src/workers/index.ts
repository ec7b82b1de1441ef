export { CrossingRunner } from './CrossingRunner'
export type { GatePreview } from './crossing.worker'
export { FaultRunner } from './FaultRunner'
export { ProofRunner } from './ProofRunner'
