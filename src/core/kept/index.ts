export { Kept } from './Kept'
