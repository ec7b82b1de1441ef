export { OwnersPaper } from './OwnersPaper'
export { PaperPanel } from './PaperPanel'
export { usePaperInput } from './usePaperInput'
