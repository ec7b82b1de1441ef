export { Offline } from './Offline'
export { OnDevice } from './OnDevice'
