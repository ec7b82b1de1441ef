export { DeviceForm } from './DeviceForm'
export { Library } from './Library'
export { downloadFile } from './save'
