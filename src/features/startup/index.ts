export { Startup } from './Startup'
export { ReadingList } from './ReadingList'
