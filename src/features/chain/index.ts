export { ChainCard } from './ChainCard'
