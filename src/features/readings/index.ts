export { ReadingForm } from './ReadingForm'
export { ReadingList } from './ReadingList'
export { VerdictLine } from './VerdictLine'
