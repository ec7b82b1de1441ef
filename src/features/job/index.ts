export { JobScreen } from './JobScreen'
