export { gateChain, type ChainBecause, type ChainGate, type GateChain, type GateState } from './chain'
export { targetsOf, type Target } from './targets'
