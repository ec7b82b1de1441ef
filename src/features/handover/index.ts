export { Handover } from './Handover'
