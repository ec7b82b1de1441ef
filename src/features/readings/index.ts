export { ReadingForm } from './ReadingForm'
export { ReadingList } from './ReadingList'
export { takeReading } from './takeReading'
export { VerdictLine } from './VerdictLine'
