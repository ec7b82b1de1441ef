export { LockOut } from './LockOut'
