export { Offline } from './Offline'
export { OnDevice } from './OnDevice'
export { MissingPart } from './MissingPart'
