export {
  chainOf,
  gateChain,
  type ChainBecause,
  type ChainGate,
  type GateChain,
  type GateState,
} from './chain'
export { stripOf, type Stretch } from './strip'
