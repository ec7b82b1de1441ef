export { Analysis } from './Analysis'
