export { Setup } from './Setup'
export { useConflicts } from './hooks'
