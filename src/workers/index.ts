export { FaultRunner } from './FaultRunner'
export { ProofRunner } from './ProofRunner'
