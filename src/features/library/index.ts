export { Library } from './Library'
