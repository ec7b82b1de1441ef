export { kit } from './place'
