export { LiveValue } from './LiveValue'
export { Rehearsal } from './Rehearsal'
