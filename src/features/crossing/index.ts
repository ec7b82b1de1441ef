export { crossing } from './place'
