export { startup } from './place'
