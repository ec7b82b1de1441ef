export { Dock } from './Dock'
