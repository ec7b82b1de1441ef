export { DerivedCache } from './DerivedCache'
