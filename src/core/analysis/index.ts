export { Analysis } from './Analysis'
export { ProvenAnalysis } from './ProvenAnalysis'
