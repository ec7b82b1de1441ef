export { JobList } from './JobList'
