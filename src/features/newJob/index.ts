export { NewJob } from './NewJob'
