export { ReadingForm } from './ReadingForm'
export { ReadingList } from './ReadingList'
