export { DeviceForm } from './DeviceForm'
export { Library } from './Library'
export { handOut } from './save'
