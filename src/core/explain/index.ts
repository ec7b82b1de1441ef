export {
  chainOf,
  gateChain,
  type ChainBecause,
  type ChainGate,
  type GateChain,
  type GateState,
} from './chain'
export { prepareChains } from './route'
export { stripOf, type Stretch } from './strip'
