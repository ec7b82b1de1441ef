export { bench } from './place'
