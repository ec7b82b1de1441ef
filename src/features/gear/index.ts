export { Gear } from './Gear'
