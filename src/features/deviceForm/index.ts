export { DeviceForm } from './DeviceForm'
export { ProfileEditor } from './ProfileEditor'
export { saveDevice } from './saveDevice'
