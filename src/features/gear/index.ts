export { gear } from './place'
