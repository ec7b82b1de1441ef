export { Scan } from './Scan'
