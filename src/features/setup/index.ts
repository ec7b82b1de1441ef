export { setup } from './place'
