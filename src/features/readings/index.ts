export { ReadingForm } from './ReadingForm'
export { ReadingList } from './ReadingList'
export { taken } from './taken'
export { VerdictLine } from './VerdictLine'
