export { Bench } from './Bench'
