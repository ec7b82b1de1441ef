export { ProofRunner } from './ProofRunner'
