export { ChainCard } from './ChainCard'
export { GateLine } from './GateLine'
