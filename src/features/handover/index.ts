export { handover } from './place'
